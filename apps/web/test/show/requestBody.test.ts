import fc from "fast-check";
import { requestBody } from "../../src/show/requestBody.ts";

/** What a request may hold: JSON, and members that are left out. */
const bodies = fc.letrec((tie) => ({
  value: fc.oneof(
    { maxDepth: 8, withCrossShrink: true },
    fc.string(),
    fc.double({ noNaN: true }),
    fc.boolean(),
    fc.constant(null),
    fc.constant(undefined),
    fc.array(tie("value"), { maxLength: 4 }),
    fc.dictionary(fc.string(), tie("value"), { maxKeys: 4 }),
  ),
})).value;

describe("the body of a request", () => {
  test("written in parts it is the JSON of the whole", async () => {
    await fc.assert(
      fc.asyncProperty(fc.dictionary(fc.string(), bodies), async (body) => {
        expect(await requestBody(body)).toBe(JSON.stringify(body));
      }),
      { numRuns: 300 },
    );
  });

  test("a very large one goes in pieces and says the same", async () => {
    const cues = Array.from({ length: 4000 }, (_, index) => ({
      number: `${index}`,
      label: "Lamp glass wiped",
      parts: [{ moves: { 5: 40 } }],
    }));
    const body = { base: 3, edits: [{ op: "setList", list: { id: "a", cues } }], gesture: undefined };
    const written = await requestBody(body);
    if (typeof written === "string") throw new Error("It was written in one piece");
    expect(await written.text()).toBe(JSON.stringify(body));
  });
});
