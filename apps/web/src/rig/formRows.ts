import type { Row } from "@tanstack/react-table";
import type { ReactNode } from "react";

/** A value of a form's list, and the id that its row keeps while others are added and taken out. */
export interface FormRow<T> {
  readonly rowId: string;
  readonly value: T;
}

/** The rows of a form's list: the ids that the form keeps for them, with what stands in them now. */
export function formRows<T>(ids: readonly { readonly rowId: string }[], values: readonly T[]): FormRow<T>[] {
  return ids.flatMap(({ rowId }, index) => values.slice(index, index + 1).map((value) => ({ rowId, value })));
}

/** What a cell of such a table is drawn from: the place of its row, and the value that stands there. */
interface FormCell<T> {
  readonly index: number;
  readonly value: T;
}

/** Draws a cell of a form's table from the value of its row. */
export function formCell<T>(
  draw: (cell: FormCell<T>) => ReactNode,
): (context: { row: Pick<Row<FormRow<T>>, "index" | "original"> }) => ReactNode {
  return ({ row: { index, original } }) => draw({ index, value: original.value });
}
