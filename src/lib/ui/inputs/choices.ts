/** One of a few answers, tapped. */
export interface Choice {
  readonly value: string;
  readonly label: string;
  readonly tone?: 'good' | 'note' | 'bad';
}

/** The rows of a table of words as answers to choose from. */
export const choicesOf = (table: Readonly<Record<string, string>>): Choice[] =>
  Object.entries(table).map(([value, label]) => ({ value, label }));
