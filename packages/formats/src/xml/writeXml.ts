import type { XmlElement } from "./xml.ts";

/** An element to be written. */
export function element(
  name: string,
  attributes: Readonly<Record<string, string>>,
  children: readonly XmlElement[],
  text = "",
): XmlElement {
  return { name, attributes, children, text };
}

/** An element that holds nothing but text. */
export function textElement(name: string, text: string): XmlElement {
  return element(name, {}, [], text);
}

/** An XML document, indented, UTF-8. `readXml` reads it back. */
export function xmlText(root: XmlElement): string {
  return `<?xml version="1.0" encoding="UTF-8"?>\n${elementText(root, "")}`;
}

function elementText({ name, attributes, children, text }: XmlElement, indent: string): string {
  const own = Object.entries(attributes).map(([key, value]) => ` ${key}="${escapedXml(value)}"`);
  const begin = `${indent}<${name}${own.join("")}`;
  if (children.length === 0) return text === "" ? `${begin}/>\n` : `${begin}>${escapedXml(text)}</${name}>\n`;
  return `${begin}>\n${children.map((child) => elementText(child, `${indent}  `)).join("")}${indent}</${name}>\n`;
}

const SIGNS: Readonly<Record<string, string>> = { "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&apos;" };

function escapedXml(text: string): string {
  // What XML cannot hold at all is left out.
  // eslint-disable-next-line no-control-regex -- these are what is looked for
  return text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, "").replace(/[&<>"']/g, (sign) => SIGNS[sign] ?? sign);
}
