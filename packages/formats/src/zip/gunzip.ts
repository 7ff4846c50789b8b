import { ShowError } from "@zm/core";
import { Gunzip } from "fflate";

/** Unpacked, no more than this. */
const LARGEST = 256 * 1_048_576;
const PIECE = 16_384;

/** True for bytes that begin as a file does that is packed by itself. */
export function isGzip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x1f && bytes[1] === 0x8b;
}

/** A file that is packed by itself, unpacked. Throws ShowError for one that is damaged, breaks off, or unpacks to more than a show may have. */
export function gunzipped(bytes: Uint8Array): Uint8Array {
  const pieces: Uint8Array[] = [];
  let size = 0;
  let isWhole = false;
  const unpacking = new Gunzip((piece, isLast) => {
    size += piece.length;
    isWhole ||= isLast;
    if (size <= LARGEST) pieces.push(piece);
  });
  try {
    for (let at = 0; at < bytes.length && size <= LARGEST; at += PIECE)
      unpacking.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
  } catch {
    throw new ShowError("This file is damaged: it cannot be unpacked");
  }
  if (size > LARGEST) throw new ShowError(`This file unpacks to more than ${LARGEST / 1_048_576} MB; it is not read`);
  if (!isWhole) throw new ShowError("This file breaks off: it cannot be unpacked whole");
  return joined(pieces);
}

/** Pieces of bytes as one. */
export function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
