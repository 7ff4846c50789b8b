import { ShowError, isRecord } from "@zm/core";
import { XMLParser, XMLValidator } from "fast-xml-parser";

/** An element of an XML document: its name, its attributes, the elements in it in their order, and the text that stands in it. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlElement[];
  readonly text: string;
}

/** Letters of a document that is still read. */
const LARGEST = 64 * 1_048_576;
/** Elements within elements; what is deeper is no drawing and no type of light. */
const DEEPEST = 200;
const ATTRIBUTES = ":@";
const TEXT = "#text";

/**
 * The root of an XML document. Throws ShowError naming the line for one that is not well formed, too large, too deep, or that declares entities of its
 * own: none of the formats needs them, and they can make a small file endless. `name` is what the file is called in messages.
 */
export function readXml(text: string, name: string): XmlElement {
  if (text.length > LARGEST) throw new ShowError(`${name} is longer than ${LARGEST / 1_048_576} MB; it is not read`);
  if (/<!DOCTYPE|<!ENTITY/i.test(text)) throw new ShowError(`${name} declares a document type or entities of its own; it is not read`);
  const valid = XMLValidator.validate(text);
  if (valid !== true) throw new ShowError(`${name}, line ${valid.err.line}: ${valid.err.msg}`);
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: "",
    parseTagValue: false,
    parseAttributeValue: false,
    ignoreDeclaration: true,
    ignorePiTags: true,
    trimValues: true,
  });
  const [root] = elementsIn(parsedBy(parser, text, name), name, 0);
  if (!root) throw new ShowError(`${name} holds no element`);
  return root;
}

function parsedBy(parser: XMLParser, text: string, name: string): unknown {
  try {
    return parser.parse(text);
  } catch (error) {
    throw new ShowError(`${name} cannot be read: ${error instanceof Error ? error.message : "it is damaged"}`);
  }
}

function elementsIn(nodes: unknown, file: string, depth: number): XmlElement[] {
  if (!Array.isArray(nodes)) return [];
  if (depth > DEEPEST) throw new ShowError(`${file} has elements within elements, more than ${DEEPEST} deep; it is not read`);
  return nodes.flatMap((node: unknown): XmlElement[] => {
    if (!isRecord(node)) return [];
    const name = Object.keys(node).find((key) => key !== ATTRIBUTES && key !== TEXT);
    if (name === undefined) return [];
    const inner = node[name];
    return [{ name, attributes: textsOf(node[ATTRIBUTES]), children: elementsIn(inner, file, depth + 1), text: textIn(inner) }];
  });
}

function textIn(nodes: unknown): string {
  if (!Array.isArray(nodes)) return "";
  return nodes
    .flatMap((node: unknown) => (isRecord(node) && TEXT in node ? [String(node[TEXT])] : []))
    .join("")
    .trim();
}

function textsOf(attributes: unknown): Record<string, string> {
  if (!isRecord(attributes)) return {};
  return Object.fromEntries(Object.entries(attributes).map(([name, value]) => [name, String(value)]));
}

/** The first element of a name within another; undefined where there is none. */
export function childOf(element: XmlElement | undefined, name: string): XmlElement | undefined {
  return element?.children.find((child) => child.name === name);
}

/** All elements of a name within another, in their order. */
export function childrenOf(element: XmlElement | undefined, name: string): XmlElement[] {
  return element?.children.filter((child) => child.name === name) ?? [];
}
