import { type RefCallback, createContext, useCallback, useContext } from "react";

/** The fields of a table by row and column, so that the arrows can go from one row to the next. */
export type FieldsOfTable = Map<string, HTMLInputElement>;

interface TableCell {
  readonly fields: FieldsOfTable;
  /** The row as it is shown now, counted from 0. */
  readonly row: number;
  readonly column: string;
}

/** The cell in which a field stands. */
export const TableCellContext = createContext<TableCell>({ fields: new Map(), row: 0, column: "" });

const keyOf = (row: number, column: string): string => `${row}/${column}`;

/** The ref that makes a field known to its table. `focusBeside` goes to the field of the same column so many rows on; false where there is none. */
export function useTableCell(): {
  ref: RefCallback<HTMLInputElement>;
  focusBeside: (by: number) => boolean;
} {
  const { fields, row, column } = useContext(TableCellContext);
  const ref = useCallback(
    (element: HTMLInputElement | null) => {
      if (!element) return undefined;
      fields.set(keyOf(row, column), element);
      return () => {
        if (fields.get(keyOf(row, column)) === element) fields.delete(keyOf(row, column));
      };
    },
    [fields, row, column],
  );
  const focusBeside = (by: number): boolean => {
    const beside = fields.get(keyOf(row + by, column));
    beside?.focus();
    return beside !== undefined;
  };
  return { ref, focusBeside };
}
