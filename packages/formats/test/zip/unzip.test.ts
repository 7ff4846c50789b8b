import { ShowError } from "@zm/core";
import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { readXml } from "../../src/xml/xml.ts";
import { xmlText, element } from "../../src/xml/writeXml.ts";
import { namesIn, unzipped } from "../../src/zip/unzip.ts";

const small = { bytes: 1_000_000, entries: 5 };

describe("a zip", () => {
  test("is unpacked by name, only what is wanted", () => {
    const zip = zipSync({ "a.txt": strToU8("one"), "b/c.txt": strToU8("two") });
    expect([...unzipped(zip, (name) => name.startsWith("b/"))].map(([name, bytes]) => [name, String.fromCharCode(...bytes)])).toEqual([
      ["b/c.txt", "two"],
    ]);
    expect([...namesIn(zip)]).toEqual(["a.txt", "b/c.txt"]);
  });

  test("that would fill the machine is not unpacked, whatever size it claims", () => {
    const bomb = zipSync({ "a.xml": new Uint8Array(20_000_000) }, { level: 9 });
    expect(bomb.length).toBeLessThan(50_000);
    expect(() => unzipped(bomb, () => true, small)).toThrow("unpacks to more than 1 MB");
    const view = new DataView(bomb.buffer, bomb.byteOffset, bomb.byteLength);
    for (let at = 0; at < bomb.length - 30; at += 1) {
      if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 10, true);
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 10, true);
    }
    expect(() => unzipped(bomb, () => true, small)).toThrow("unpacks to more than 1 MB");
  });

  test("of very many files is not unpacked", () => {
    const many = zipSync(Object.fromEntries(Array.from({ length: 6 }, (_, at) => [`${at}.txt`, strToU8("a")])));
    expect(() => unzipped(many, () => true, small)).toThrow("more than 5 files");
  });

  test("that is damaged anywhere is told so, or reads as it was", () => {
    const whole = zipSync({ "a.txt": strToU8("one two three one two three"), "b.txt": strToU8("four") });
    let refused = 0;
    fc.assert(
      fc.property(fc.nat(whole.length - 1), fc.nat(255), (at, byte) => {
        const bytes = Uint8Array.from(whole);
        bytes[at] = byte;
        try {
          unzipped(bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(ShowError);
          refused += 1;
        }
      }),
      { seed: 28, numRuns: 400 },
    );
    expect(refused).toBeGreaterThan(20);
  });
});

describe("an XML document", () => {
  test("is read with its elements in their order", () => {
    expect(readXml('<a x="1 &amp; 2"><b/>text<c><b/></c></a>', "a.xml")).toEqual({
      name: "a",
      attributes: { x: "1 & 2" },
      text: "text",
      children: [
        { name: "b", attributes: {}, children: [], text: "" },
        { name: "c", attributes: {}, text: "", children: [{ name: "b", attributes: {}, children: [], text: "" }] },
      ],
    });
  });

  test("comes back as it was written, whatever stands in it", () => {
    const text = fc.string({ unit: fc.constantFrom("a", "é", "<", ">", "&", '"', "'", "]", "-"), maxLength: 12 });
    fc.assert(
      fc.property(text, text, (value, inner) => {
        const read = readXml(xmlText(element("a", { x: value }, [element("b", {}, [], inner)])), "a.xml");
        expect([read.attributes["x"], read.children[0]?.text]).toEqual([value, inner]);
      }),
      { seed: 28 },
    );
  });

  test.each([
    ["<a>", /a\.xml, line 1: /],
    ["<a></b>", /a\.xml, line 1: /],
    ['<!DOCTYPE a [<!ENTITY x "y">]><a>&x;</a>', /declares a document type/],
    [`${"<a>".repeat(300)}${"</a>".repeat(300)}`, /a\.xml cannot be read: Maximum nested tags/],
  ])("is refused in words: %j", (text, fault) => {
    expect(() => readXml(text, "a.xml")).toThrow(ShowError);
    expect(() => readXml(text, "a.xml")).toThrow(fault);
  });
});
