import type { Sequelize, Transaction } from 'sequelize';

/** One step of the database's shape. Once shipped it never changes: its statements and its version are checksummed. */
export interface Migration {
  name: string;
  statements: string[];
  /** What SQL alone cannot do, between the statements and those `after` it. `version` stands for it in the checksum. */
  rewrite?: { version: string; run(sequelize: Sequelize, transaction: Transaction): Promise<void>; after: string[] };
}
