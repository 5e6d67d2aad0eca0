/** One step of the database's shape. Once shipped its statements never change: they are checksummed. */
export interface Migration {
  name: string;
  statements: string[];
}
