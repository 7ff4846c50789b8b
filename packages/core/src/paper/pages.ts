import type { Paper } from "./table.ts";

/**
 * How the pages look: large type is read at arm's length in the dark.
 * The clock is read by the caller: nothing here knows what time it is.
 */
export interface PageWish {
  /** The show's title, at the head of every page. */
  readonly show: string;
  /** When it was made, in words, at the foot of every page. */
  readonly made: string;
  readonly large: boolean;
}

/** A4, in points: what is left for the table between the margins. */
const MARGIN = { side: 36, top: 64, foot: 44 };
/** The size of the type, points. */
const SIZE = { plain: 10, large: 14 };

interface Cell {
  text: string;
  bold?: boolean;
  colSpan?: number;
  fontSize?: number;
  margin?: [number, number, number, number];
}
/** What a page is told of itself. */
type Numbered = (page: number, pages: number) => PageHead;
/** What stands above or below a page: texts side by side. */
interface PageHead {
  margin: [number, number, number, number];
  columns: { text: string | { text: string; bold?: boolean }[]; alignment?: "right"; fontSize?: number }[];
  fontSize?: number;
}
/** A text, or the table with its lines. */
type PageContent =
  | { text: string }
  | {
      table: {
        headerRows: number;
        keepWithHeaderRows: number;
        dontBreakRows: boolean;
        widths: (string | number)[];
        body: (Cell | Record<string, never>)[][];
      };
      layout: {
        hLineWidth: (line: number) => number;
        vLineWidth: () => number;
        hLineColor: () => string;
        paddingLeft: () => number;
        paddingRight: () => number;
        paddingTop: () => number;
        paddingBottom: () => number;
      };
    };

/**
 * The pages of a paper as plain data for the maker of PDF: A4 upright, black on white, a head and "page n of m" on each.
 * In the form that the PDF package takes; no type of the package is needed to make it.
 */
export interface PaperPages {
  readonly pageSize: "A4";
  readonly pageMargins: [number, number, number, number];
  readonly info: { readonly title: string };
  readonly header: PageHead;
  readonly footer: Numbered;
  readonly content: PageContent[];
  readonly defaultStyle: { readonly font: string; readonly fontSize: number; readonly lineHeight: number };
}

/**
 * The font by whose name the pages ask for their type.
 * A caller that makes the PDF hands the font files over under this name.
 */
export const PAPER_FONT = "Text";

/**
 * Lays a paper out. Headings keep with what they stand over, and the head of the table stands on every page.
 * Never empty: a paper without rows says why.
 */
export function paperPages(whole: Paper, { show, made, large }: PageWish): PaperPages {
  const paper = withoutEmptyColumns(whole);
  const fontSize = large ? SIZE.large : SIZE.plain;
  const { columns, rows } = paper;
  const side: [number, number, number, number] = [MARGIN.side, 26, MARGIN.side, 0];
  const head = columns.map(({ name }): Cell => ({ text: name, bold: true }));
  const body = rows.flatMap(({ cells, heading }) => {
    const line = cells.map((text, index): Cell => ({ text, bold: index === 0 }));
    if (heading === undefined) return [line];
    const band: (Cell | Record<string, never>)[] = [
      { text: heading, bold: true, colSpan: columns.length, fontSize: fontSize + 2, margin: [0, 8, 0, 2] },
      ...columns.slice(1).map(() => ({})),
    ];
    return [band, line];
  });
  return {
    pageSize: "A4",
    pageMargins: [MARGIN.side, MARGIN.top, MARGIN.side, MARGIN.foot],
    info: { title: `${show}: ${paper.title}` },
    header: {
      margin: side,
      columns: [
        { text: [{ text: show, bold: true }, { text: `   ${paper.title}` }], fontSize: 12 },
        { text: paper.subtitle, alignment: "right", fontSize: 12 },
      ],
    },
    footer: (page, pages) => ({
      margin: [MARGIN.side, 12, MARGIN.side, 0],
      columns: [{ text: made }, { text: `page ${page} of ${pages}`, alignment: "right" }],
      fontSize: 9,
    }),
    content: [
      rows.length === 0
        ? { text: paper.empty }
        : {
            table: {
              headerRows: 1,
              keepWithHeaderRows: 1,
              dontBreakRows: true,
              widths: widthsOf(columns.map(({ share }) => share)),
              body: [head, ...body],
            },
            layout: {
              hLineWidth: (line: number) => (line === 1 ? 1 : 0.4),
              vLineWidth: () => 0,
              hLineColor: () => "#000000",
              paddingLeft: () => 3,
              paddingRight: () => 3,
              paddingTop: () => 2.5,
              paddingBottom: () => 2.5,
            },
          },
    ],
    defaultStyle: { font: PAPER_FONT, fontSize, lineHeight: 1.1 },
  };
}

/** A paper without the columns in which nothing stands, so that the others have their room. */
function withoutEmptyColumns(paper: Paper): Paper {
  const filled = paper.columns.map((_, index) => index === 0 || paper.rows.some(({ cells }) => (cells[index] ?? "") !== ""));
  return {
    ...paper,
    columns: paper.columns.filter((_, index) => filled[index]),
    rows: paper.rows.map((row) => ({ ...row, cells: row.cells.filter((_, index) => filled[index]) })),
  };
}

/** Columns without a share are as wide as they need; the others share the page by their shares, and the last takes what is left. */
function widthsOf(shares: readonly (number | undefined)[]): (string | number)[] {
  const whole = shares.reduce<number>((sum, share) => sum + (share ?? 0), 0);
  // Percentages are of the whole page: the columns of figures are computed with so much each.
  const room = Math.max(30, 100 - shares.filter((share) => share === undefined).length * 10);
  const last = shares.findLastIndex((share) => share !== undefined);
  return shares.map((share, index) => {
    if (share === undefined) return "auto";
    return index === last ? "*" : `${((share / whole) * room).toFixed(2)}%`;
  });
}
