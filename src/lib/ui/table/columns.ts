/** A column of a table: what a row has there, and how it is said. */
export interface Column<Row> {
  readonly id: string;
  readonly title: string;
  /** What it is sorted, filtered and grouped by; null where the row has none. */
  readonly value: (row: Row) => string | number | null;
  /** As it is shown; the value itself where it is left out. */
  readonly say?: (row: Row) => string;
  /** Few different values: it can be filtered by one of them, and grouped by. */
  readonly few?: boolean;
  /** Shown until somebody chooses otherwise. */
  readonly shown?: boolean;
  readonly right?: boolean;
  /** Least width, px. */
  readonly width: number;
}

/** How a table is looked at: all of it is in the address. */
export interface TableView {
  readonly words: string;
  readonly sort: { readonly id: string; readonly desc: boolean } | null;
  readonly group: string | null;
  /** By column, the value that is shown. */
  readonly only: Readonly<Record<string, string>>;
  /** Columns that are shown; null as they are at first. */
  readonly columns: readonly string[] | null;
}

const ONLY = 'is.';

/** The view an address asks for; what it names that is no column here is left out. */
export function viewOf(params: URLSearchParams, ids: readonly string[]): TableView {
  const known = (id: string | null) => (id !== null && ids.includes(id) ? id : null);
  const sort = params.get('sort');
  const by = known(sort?.replace(/^-/, '') ?? null);
  const columns = params
    .get('columns')
    ?.split(',')
    .filter((c) => ids.includes(c));
  return {
    words: params.get('q') ?? '',
    sort: by ? { id: by, desc: sort!.startsWith('-') } : null,
    group: known(params.get('group')),
    only: Object.fromEntries(
      [...params].flatMap(([key, value]) =>
        key.startsWith(ONLY) && known(key.slice(ONLY.length)) ? [[key.slice(ONLY.length), value]] : []
      )
    ),
    columns: columns && columns.length > 0 ? columns : null
  };
}

/** The address of a view; the usual things are left out of it. */
export function addressOf({ words, sort, group, only, columns }: TableView): string {
  const params = new URLSearchParams({
    ...(words ? { q: words } : {}),
    ...(sort ? { sort: `${sort.desc ? '-' : ''}${sort.id}` } : {}),
    ...(group ? { group } : {}),
    ...Object.fromEntries(Object.entries(only).map(([id, value]) => [`${ONLY}${id}`, value])),
    ...(columns ? { columns: columns.join(',') } : {})
  });
  const text = params.toString();
  return text ? `?${text}` : '?';
}
