// Texts that were stored before control characters were refused: they are read without them, so that the show opens.

// eslint-disable-next-line no-control-regex -- these are the ones that are looked for
const CONTROLS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/g;

/** For `JSON.parse`: each text as it is written by now. */
export function textWithoutControls(_key: string, value: unknown): unknown {
  return typeof value === "string" && value.length > 0 ? value.replace(CONTROLS, "") : value;
}
