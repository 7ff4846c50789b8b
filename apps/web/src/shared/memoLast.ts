/** Works something out anew only when one of its arguments is another than the last time. */
export function memoLast<A extends readonly unknown[], R>(make: (...args: A) => R): (...args: A) => R {
  let last: { readonly args: A; readonly result: R } | undefined;
  return (...args) => {
    if (last?.args.every((arg, index) => arg === args[index])) return last.result;
    last = { args, result: make(...args) };
    return last.result;
  };
}
