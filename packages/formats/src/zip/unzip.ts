import { ShowError } from "@zm/core";
import { joined } from "./gunzip.ts";
import { Unzip, UnzipInflate, type UnzipFile, strFromU8, strToU8 } from "fflate";

/** What a zip may hold, so that a small file cannot become one that fills the machine. */
export interface ZipBounds {
  /** Bytes, unpacked, of all that is read. */
  readonly bytes: number;
  readonly entries: number;
}

const BOUNDS: ZipBounds = { bytes: 256 * 1_048_576, entries: 10_000 };
/** The packed bytes are given piece by piece; one piece cannot unpack to more than a thousand times its size. */
const PIECE = 16_384;

/** True for bytes that begin as a zip does. */
export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);
}

/**
 * The entries of a zip that are wanted, unpacked, by their names. Throws ShowError for what is no whole zip, for more than the bounds, and for one name that stands
 * twice. Sizes are counted as they come, not as the file claims them.
 */
export function unzipped(
  bytes: Uint8Array,
  isWanted: (name: string) => boolean = () => true,
  bounds: ZipBounds = BOUNDS,
): Map<string, Uint8Array> {
  if (!isZip(bytes)) throw new ShowError("This is no zip, or it is damaged at its beginning");
  const unpacking = new Unpacking(isWanted, bounds);
  for (let at = 0; at < bytes.length; at += PIECE) unpacking.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
  return unpacking.end();
}

/** A zip while it is unpacked. The unpacker keeps what is thrown to itself, so that a fault is kept here until a piece is done. */
class Unpacking {
  private readonly found = new Map<string, Uint8Array>();
  private readonly open = new Set<string>();
  private readonly unzip: Unzip;
  private fault: string | undefined;
  private total = 0;
  private entries = 0;

  constructor(
    private readonly isWanted: (name: string) => boolean,
    private readonly bounds: ZipBounds,
  ) {
    this.unzip = new Unzip((file) => this.begin(file));
    this.unzip.register(UnzipInflate);
  }

  push(piece: Uint8Array, isLast: boolean): void {
    try {
      this.unzip.push(piece, isLast);
    } catch {
      this.fault ??= "This zip is damaged: it cannot be unpacked";
    }
    if (this.fault !== undefined) throw new ShowError(this.fault);
  }

  end(): Map<string, Uint8Array> {
    const [broken] = this.open;
    if (broken !== undefined) throw new ShowError(`This zip is damaged: "${shownName(broken)}" breaks off`);
    return this.found;
  }

  private begin(file: UnzipFile): void {
    this.entries += 1;
    if (this.entries > this.bounds.entries) this.fault ??= `This zip holds more than ${this.bounds.entries} files`;
    if (this.fault !== undefined || file.name.endsWith("/") || !this.isWanted(file.name)) return;
    if (this.found.has(file.name) || this.open.has(file.name)) this.fault ??= `This zip holds "${shownName(file.name)}" twice`;
    else this.gather(file);
  }

  private gather(file: UnzipFile): void {
    const pieces: Uint8Array[] = [];
    this.open.add(file.name);
    file.ondata = (error, piece, isLast) => {
      if (this.fault !== undefined) return;
      if (error) {
        this.fault = `This zip is damaged: "${shownName(file.name)}" cannot be unpacked`;
        return;
      }
      this.total += piece.length;
      if (this.total > this.bounds.bytes) {
        this.fault = `This zip unpacks to more than ${Math.round(this.bounds.bytes / 1_048_576)} MB; it is not read`;
        file.terminate();
        return;
      }
      pieces.push(piece);
      if (!isLast) return;
      this.open.delete(file.name);
      this.found.set(file.name, joined(pieces));
    };
    file.start();
  }
}

/** The names of what a zip holds, nothing of it unpacked. Throws ShowError for what is no whole zip. */
export function namesIn(bytes: Uint8Array): ReadonlySet<string> {
  const names = new Set<string>();
  unzipped(bytes, (name) => {
    names.add(name);
    return false;
  });
  return names;
}

function shownName(name: string): string {
  return name.length > 60 ? `${name.slice(0, 57)} …` : name;
}

/** The text in bytes, UTF-8; a mark of its order at the beginning is left out. */
export function textOf(bytes: Uint8Array): string {
  return strFromU8(bytes).replace(/^\uFEFF/, "");
}

/** A text as bytes, UTF-8. */
export function bytesOf(text: string): Uint8Array {
  return strToU8(text);
}
