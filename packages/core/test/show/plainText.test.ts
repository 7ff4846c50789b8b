import { fileName, inAscii } from "../../src/index.ts";

describe("texts for papers and files that know only plain letters", () => {
  it("accents are taken off, dashes and quotes become what people type, the rest a question mark", () => {
    expect(inAscii("Élodie – “straße” 灯")).toBe('Elodie - "strasse" ?');
  });

  it("a title becomes a file's name that every machine can store", () => {
    expect(fileName("Salt & Paraffin: Act 2/3")).toBe("Salt-Paraffin-Act-2-3");
    expect(fileName("../../etc")).toBe("etc");
    expect(fileName("灯")).toBe("show");
    expect(fileName("x".repeat(300))).toHaveLength(80);
  });
});
