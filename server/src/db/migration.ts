/** One step of the database's shape, forwards and back. Plain SQL, run inside a transaction, never edited once merged. */
export interface Migration {
  name: string;
  up: string;
  down: string;
}
