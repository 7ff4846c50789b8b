/**
 * One column of a paper: its heading, and how wide it is beside the others.
 * Shares of all columns are laid beside each other; their sum may be anything.
 */
export interface PaperColumn {
  readonly name: string;
  /** A share of what the page is wide; columns of figures are as wide as they need and have none. */
  readonly share?: number;
}
/**
 * One line of a paper; `heading` stands above it where something new begins, such as a scene.
 * As many cells as there are columns.
 */
export interface PaperRow {
  readonly cells: readonly string[];
  readonly heading?: string;
}
/**
 * What stands on a paper, page by page alike: a title, what it is of, and a table.
 * Plain texts: how they look is up to a caller that draws them.
 */
export interface Paper {
  readonly title: string;
  readonly subtitle: string;
  readonly columns: readonly PaperColumn[];
  readonly rows: readonly PaperRow[];
  /** Said where there is no row. */
  readonly empty: string;
}
