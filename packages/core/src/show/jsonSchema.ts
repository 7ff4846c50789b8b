import { z } from "zod";
import { CUE_NUMBER_PATTERN, documentParts, showSchema } from "./schema.ts";

/** An id as a pattern that tools in other languages read. */
const ID = "^[\\p{L}\\p{N}][\\p{L}\\p{N}_.-]{0,63}$";

/**
 * The JSON Schema (draft 2020-12) of the open show document, for other people's tools. It says what can be said of a field by
 * itself; what holds between fields, such as that a channel exists, only reading the document tells (docs/format.md).
 * Published as docs/show.schema.json and kept up to date by a test.
 * Moves stand in it as plain objects: which attributes a channel has is not something that a schema can say.
 */
export function showJsonSchema(): object {
  const schema = z.toJSONSchema(showSchema, {
    io: "input",
    unrepresentable: "any",
    override: ({ zodSchema, jsonSchema }) => {
      if (zodSchema === documentParts.moves) Object.assign(jsonSchema, movesSchema());
      if (zodSchema === documentParts.cueNumber) Object.assign(jsonSchema, { type: "string", pattern: CUE_NUMBER_PATTERN });
    },
  });
  return { ...schema, $id: "https://zealous-mark.invalid/show/2", title: "Zealous Mark show document, version 2" };
}

/** Moves are checked by hand in the core, so what the schema says of them is written here: by channel number, then by attribute. */
function movesSchema(): object {
  const { $schema: _schema, ...move } = z.toJSONSchema(documentParts.move, { io: "input" });
  const attributes = { type: "object", patternProperties: { [ID]: move }, additionalProperties: false };
  return { type: "object", patternProperties: { "^[1-9][0-9]{0,4}$": attributes }, additionalProperties: false };
}
