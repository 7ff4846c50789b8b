import { inSlices } from "../shared/inSlices.ts";

/** So deep a request is written part by part: its edits, what they set, the cues of a list, and each cue as one part. */
const DEPTH = 5;
/** Letters that are handed over as one piece: to copy very many of them takes a while. */
const PIECE = 100_000;

/** The body of a request as JSON. A large one is written bit by bit and in pieces, so that the window answers meanwhile. */
export async function requestBody(body: unknown): Promise<string | Blob> {
  const { pieces, rest } = await inSlices(written(body));
  return pieces.length === 0 ? rest : new Blob([...pieces, rest]);
}

function* written(body: unknown): Generator<void, { readonly pieces: Blob[]; readonly rest: string }> {
  const pieces: Blob[] = [];
  let rest = "";
  for (const part of partsOf(body, DEPTH)) {
    rest += part;
    if (rest.length > PIECE) {
      pieces.push(new Blob([rest]));
      rest = "";
    }
    yield;
  }
  return { pieces, rest };
}

/** JSON of a value in parts, as JSON.stringify writes it. */
function* partsOf(value: unknown, depth: number): Generator<string, void> {
  if (depth === 0 || typeof value !== "object" || value === null) return yield JSON.stringify(value) ?? "null";
  const isArray = Array.isArray(value);
  let before = isArray ? "[" : "{";
  for (const [name, member] of Object.entries(value)) {
    if (!isArray && member === undefined) continue;
    yield isArray ? before : `${before}${JSON.stringify(name)}:`;
    yield* partsOf(member, depth - 1);
    before = ",";
  }
  yield `${before === "," ? "" : before}${isArray ? "]" : "}"}`;
}
