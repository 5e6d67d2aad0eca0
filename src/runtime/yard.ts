import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import { networkInterfaces } from 'node:os';
import type { Socket } from 'node:net';
import { memberOf, readYard, type Context, type YardDoor } from '../services';
import { FROM_HEADER, headersOf, isOwnHeader, SESSION_COOKIE, takeYardSeat, YARD_HEADER, type Asker, type YardSeat } from './yardSeat';

/** So many phones and tablets have something open at once, and no more. */
const MOST_SOCKETS = 400;
const MOST_KNOWN = 400;

/** An owner's own certificate, when there is one: phones keep the yard without signal only over https. */
function certificate(): { cert: Buffer; key: Buffer } | undefined {
  const { ANACHRON_CERT, ANACHRON_KEY } = process.env;
  return ANACHRON_CERT && ANACHRON_KEY ? { cert: readFileSync(ANACHRON_CERT), key: readFileSync(ANACHRON_KEY) } : undefined;
}

/** This machine's addresses in the nets it is in; those that ANACHRON_YARD names, where it is set. */
const netAddresses = (): string[] =>
  process.env.ANACHRON_YARD?.split(',').map((each) => each.trim()) ??
  Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

const tokenIn = (cookie: string | undefined): string | undefined =>
  cookie
    ?.split(';')
    .map((each) => each.trim())
    .find((each) => each.startsWith(`${SESSION_COOKIE}=`))
    ?.slice(SESSION_COOKIE.length + 1);

/**
 * The door to the yard. The program itself answers this machine alone; while the owner has the yard open, this listens at
 * the machine's addresses in its nets and hands on what comes, marked by a secret as coming from outside. So nothing that
 * comes from outside can pass for the owner at the machine.
 */
export class Yard implements YardDoor, YardSeat {
  readonly secret = randomBytes(24).toString('base64url');
  private readonly servers = new Map<string, http.Server>();
  private readonly sockets = new Map<string, Set<Socket>>();
  /** Who came last by which token: they stay who they are while the database cannot be asked. */
  private readonly known = new Map<string, Asker & { id: string }>();
  private readonly scheme: 'http' | 'https';
  /** Addresses that could not be listened at, and why. */
  readonly failed = new Map<string, string>();

  constructor(
    private readonly context: Context,
    private readonly port: number,
  ) {
    this.scheme = certificate() ? 'https' : 'http';
  }

  addresses(): readonly string[] {
    return [...this.servers.keys()].map((address) => `${this.scheme}://${address}:${this.port}`);
  }

  /** Opens or closes as the owner has decided. */
  async changed(): Promise<void> {
    const { open, code } = await readYard(this.context);
    const wanted = open ? netAddresses() : [];
    for (const [address, server] of this.servers)
      if (!wanted.includes(address)) {
        this.servers.delete(address);
        server.close();
        server.closeAllConnections();
      }
    this.failed.clear();
    const fresh = wanted.filter((address) => !this.servers.has(address));
    for (const address of fresh) await this.listen(address);
    for (const address of this.addresses())
      if (fresh.some((each) => address.includes(`//${each}:`))) console.log(`Crew may join at ${address}/join with the code ${code}.`);
  }

  putOut(sessionId: string): void {
    for (const socket of this.sockets.get(sessionId) ?? []) socket.destroy();
    this.sockets.delete(sessionId);
    for (const [token, { id }] of this.known) if (id === sessionId) this.known.delete(token);
  }

  private listen(address: string): Promise<void> {
    const keys = certificate();
    const handle = (request: http.IncomingMessage, response: http.ServerResponse) => void this.handOn(request, response);
    const server = keys ? https.createServer(keys, handle) : http.createServer(handle);
    server.maxConnections = MOST_SOCKETS;
    server.on('upgrade', (_, socket) => socket.destroy());
    return new Promise((resolve) => {
      server.once('error', (error) => {
        this.failed.set(address, error.message);
        resolve();
      });
      server.listen(this.port, address, () => {
        this.servers.set(address, server);
        // A program that is asked to stop does not wait for phones.
        server.unref();
        resolve();
      });
    });
  }

  private async handOn(request: http.IncomingMessage, response: http.ServerResponse): Promise<void> {
    const headers: http.OutgoingHttpHeaders = {};
    for (const [name, value] of Object.entries(request.headers)) if (!isOwnHeader(name)) headers[name] = value;
    const member = await this.memberOf(request);
    if (member === 'unknown') {
      response
        .writeHead(503, { 'Content-Type': 'text/plain; charset=utf-8' })
        .end('The house’s data cannot be read just now. What you tapped is kept; try again.');
      return;
    }
    Object.assign(headers, { [YARD_HEADER]: this.secret, [FROM_HEADER]: request.socket.remoteAddress ?? '' }, member && headersOf(member));
    const inner = http.request({ host: '127.0.0.1', port: this.port, method: request.method, path: request.url, headers }, (answer) => {
      response.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(response);
      answer.on('error', () => response.destroy());
    });
    inner.on('error', () => {
      if (response.headersSent) response.destroy();
      else response.writeHead(502, { 'Content-Type': 'text/plain; charset=utf-8' }).end('The house does not answer just now. Try again.');
    });
    response.on('close', () => inner.destroy());
    request.pipe(inner);
  }

  /** Whose request it is; the connection is remembered, so that putting them out cuts it. */
  private async memberOf({ headers, socket }: http.IncomingMessage): Promise<Asker | 'unknown' | undefined> {
    const token = tokenIn(headers.cookie);
    if (token === undefined) return undefined;
    const member = await memberOf(this.context, token).catch((error: unknown) => {
      this.context.db.noticed(error);
      return this.known.get(token) ?? 'unknown';
    });
    if (member === 'unknown') return member;
    if (this.known.size >= MOST_KNOWN) this.known.clear();
    if (member) this.known.set(token, member);
    else {
      this.known.delete(token);
      return undefined;
    }
    const own = this.sockets.get(member.id) ?? new Set();
    this.sockets.set(member.id, own);
    if (!own.has(socket)) {
      own.add(socket);
      socket.once('close', () => own.delete(socket));
    }
    return member;
  }
}

// The bundler loads this module once for every entry; there is one door for all of them.
const shared = globalThis as typeof globalThis & { anachronYardDoor?: Yard };

/** The door as it stands, where the program serves. */
export const yardDoor = (): Yard | undefined => shared.anachronYardDoor;

/** Takes its seat and opens, if the owner left it open. */
export async function startYard(context: Context): Promise<void> {
  const door = (shared.anachronYardDoor ??= new Yard(context, Number(process.env.PORT ?? '3000')));
  takeYardSeat(door);
  await door.changed();
}
