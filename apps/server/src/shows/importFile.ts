import { randomUUID } from "node:crypto";
import { createWriteStream, mkdirSync } from "node:fs";
import { rm } from "node:fs/promises";
import type { IncomingMessage } from "node:http";
import { join } from "node:path";
import { type Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { createGunzip, createInflate } from "node:zlib";
import {
  HttpException,
  Injectable,
  PayloadTooLargeException,
  RequestTimeoutException,
  ServiceUnavailableException,
  UnsupportedMediaTypeException,
} from "@nestjs/common";
import { Settings } from "../settings.ts";

/** A document may be so large, unpacked; bytes. */
const LARGEST = 200 * 1_048_576;
/** So many imports wait for the one under way. */
const MOST_WAITING = 8;
/** A document of which nothing comes for so long is not waited for; milliseconds. */
const LONGEST_PAUSE = 20_000;

/** Receives documents to be imported, one after the other, each into a file, so that memory does not grow with what is sent. */
@Injectable()
export class ImportFile {
  private waiting = 0;
  private queue: Promise<unknown> = Promise.resolve();

  constructor(private readonly settings: Settings) {}

  /** Receives a document and does something with its file when the imports before it are done. What is refused says why: too large, too slow, packed in a way that is not known, too many at once. */
  async receive<T>(request: IncomingMessage, work: (path: string) => Promise<T>): Promise<T> {
    if (this.waiting >= MOST_WAITING)
      throw new ServiceUnavailableException(`${MOST_WAITING} shows are being imported already; wait until one is there, and try again`);
    this.waiting += 1;
    const done = this.queue.then(() => this.take(request, work));
    this.queue = done.catch(() => undefined);
    return done.finally(() => (this.waiting -= 1));
  }

  private async take<T>(request: IncomingMessage, work: (path: string) => Promise<T>): Promise<T> {
    const path = join(this.settings.runs, `import-${randomUUID()}.json`);
    try {
      mkdirSync(this.settings.runs, { recursive: true });
      await write(request, path);
      return await work(path);
    } finally {
      await rm(path, { force: true });
    }
  }
}

async function write(request: IncomingMessage, path: string): Promise<void> {
  const late = new AbortController();
  let patience = setTimeout(() => late.abort(), LONGEST_PAUSE);
  let bytes = 0;
  const count = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      clearTimeout(patience);
      patience = setTimeout(() => late.abort(), LONGEST_PAUSE);
      bytes += chunk.length;
      if (bytes > LARGEST) done(new PayloadTooLargeException(`This is larger than the ${LARGEST / 1_048_576} MB that a show may have`));
      else done(null, chunk);
    },
  });
  const unpacked = unpacking(request.headers["content-encoding"]);
  const streams: [Readable, ...NodeJS.ReadWriteStream[]] = unpacked ? [request, unpacked, count] : [request, count];
  try {
    await pipeline([...streams, createWriteStream(path, { mode: 0o600 })], { signal: late.signal });
  } catch (error) {
    if (late.signal.aborted) throw new RequestTimeoutException("Nothing more came of this document; send it again");
    if (error instanceof HttpException) throw error;
    throw new ServiceUnavailableException("The document could not be received whole; nothing was imported. Is the disk full?", {
      cause: error,
    });
  } finally {
    clearTimeout(patience);
  }
}

function unpacking(encoding: string | undefined): Transform | undefined {
  switch (encoding?.toLowerCase()) {
    case undefined:
    case "identity":
      return undefined;
    case "gzip":
      return createGunzip();
    case "deflate":
      return createInflate();
    default:
      throw new UnsupportedMediaTypeException("A document is sent as it is, or packed with gzip");
  }
}
