/** The document of a row under the row's own id; no more than that, where what stands there is no document any more. */
export function bodyOf({ id, body }: { id: string; body: string }): object {
  try {
    const read: unknown = JSON.parse(body);
    return { ...(typeof read === 'object' && read), id };
  } catch {
    return { id };
  }
}
