const BEGIN = '"cues":[';

/**
 * Reads JSON that holds a show as `compactPieces` writes it, cue by cue; pauses after each, so that a window that reads a large show answers meanwhile.
 * Gives what `JSON.parse` gives of the whole text; throws SyntaxError as that does. Any other JSON is read as well, in one go.
 */
export function* readInSlices(text: string): Generator<undefined, unknown> {
  // Around the cues, with the place of each in its stead.
  const around: string[] = [];
  const cues: unknown[] = [];
  let among = false;
  for (const line of text.split("\n")) {
    if (among && line.startsWith("{")) {
      const isLast = !line.endsWith(",");
      around.push(isLast ? String(cues.length) : `${cues.length},`);
      cues.push(JSON.parse(isLast ? line : line.slice(0, -1)));
      yield;
    } else {
      around.push(line);
      among = line.endsWith(BEGIN);
    }
  }
  if (cues.length === 0) return JSON.parse(text);
  // Nothing in a document but a list has a field of this name.
  return JSON.parse(around.join("\n"), (name, value: unknown) =>
    name === "cues" && Array.isArray(value) ? value.map((place: number) => cues[place]) : value,
  );
}
