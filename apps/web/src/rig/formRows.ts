/** A value of a form's list, and the id that its row keeps while others are added and taken out. */
export interface FormRow<T> {
  readonly rowId: string;
  readonly value: T;
}

/** The rows of a form's list: the ids that the form keeps for them, with what stands in them now. */
export function formRows<T>(ids: readonly { readonly rowId: string }[], values: readonly T[]): FormRow<T>[] {
  return ids.flatMap(({ rowId }, index) => values.slice(index, index + 1).map((value) => ({ rowId, value })));
}
