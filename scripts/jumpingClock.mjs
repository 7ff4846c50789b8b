// Loaded before the server by `npm run faults`: its clock is as many milliseconds off as a file says, so that a machine whose clock is set while the show runs can
// be tried. Only the clock on the wall jumps; what counts from the start of the process goes on evenly, as on a real machine.
import { readFileSync } from "node:fs";

const FILE = process.env.ZM_JUMP_FILE;
const RealDate = Date;
const real = Date.now.bind(Date);
let offset = 0;
let readAt = Number.NEGATIVE_INFINITY;

function offsetNow() {
  if (performance.now() - readAt < 100) return offset;
  readAt = performance.now();
  try {
    offset = Number(readFileSync(FILE, "utf8")) || 0;
  } catch {
    offset = 0;
  }
  return offset;
}

globalThis.Date = class extends RealDate {
  constructor(...parts) {
    if (parts.length === 0) super(real() + offsetNow());
    else super(...parts);
  }
  static now() {
    return real() + offsetNow();
  }
};
Object.defineProperty(performance, "timeOrigin", { value: performance.timeOrigin + offsetNow() });
