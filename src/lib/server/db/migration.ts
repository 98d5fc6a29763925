/** One step forward of the database; there is no way back but a backup. */
export interface Migration {
  readonly name: string;
  readonly sql: string;
  /** Whether what is derived from the record must be written anew afterwards. */
  readonly derivedAnew?: boolean;
}
