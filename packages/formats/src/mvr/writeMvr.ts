import { countedThrough } from "@zm/core";
import type { Channel, Group, Show, ShowSheet } from "@zm/core";
import { strToU8 } from "fflate";
import { OUR_MODE } from "../gdtf/ourTypes.ts";
import { uuidOf, writeGdtf } from "../gdtf/writeGdtf.ts";
import type { Remark } from "../report/remark.ts";
import { element, textElement, xmlText } from "../xml/writeXml.ts";
import { zipped } from "../zip/zipped.ts";
import { axesOf, writeMatrix } from "./matrix.ts";

const FLAT = { x: 0, y: 0, z: 0 };

/** A rig as a drawing (MVR): each light with its type, number, name, place, turn and patch, in the layer of its first group; a type file for each type in use. */
export function writeMvr({ show }: ShowSheet): { readonly bytes: Uint8Array; readonly remarks: readonly Remark[] } {
  const layers = layersOf(show);
  const second = show.groups.filter((group) => !layers.has(group.label || group.id) && isClass(group, show.groups));
  const types = show.fixtureTypes.filter(({ id }) => show.channels.some(({ type }) => type === id));
  const root = element("GeneralSceneDescription", { verMajor: "1", verMinor: "5", provider: "Zealous Mark", providerVersion: "1" }, [
    element("Scene", {}, [
      element(
        "AUXData",
        {},
        second.map(({ label, id }) => element("Class", { uuid: uuidOf(`class ${label || id}`), name: label || id }, [])),
      ),
      element(
        "Layers",
        {},
        [...layers].map(([label, channels]) =>
          element("Layer", { uuid: uuidOf(`layer ${label}`), name: label }, [
            element("ChildList", {}, [...channels.flatMap(focusOf), ...channels.map((channel) => fixtureOf(channel, second))]),
          ]),
        ),
      ),
    ]),
  ]);
  const files = Object.fromEntries(types.map((type) => [`${fileOf(type.id)}.gdtf`, writeGdtf(type)]));
  const bytes = zipped({ "GeneralSceneDescription.xml": strToU8(xmlText(root)), ...files });
  return { bytes, remarks: unsaid(show, layers, second) };
}

/** The lights by the label of the first group that holds each. */
function layersOf({ channels, groups }: Show): Map<string, Channel[]> {
  const layers = new Map<string, Channel[]>();
  for (const channel of channels) {
    const group = groups.find(({ channels: own }) => own.includes(channel.number));
    const label = group ? group.label || group.id : "Lights";
    layers.set(label, [...(layers.get(label) ?? []), channel]);
  }
  return layers;
}

/** True for a group that can be a class: none of its lights is in another group that is one. */
function isClass(group: Group, groups: readonly Group[]): boolean {
  const before = groups.slice(1, groups.indexOf(group));
  return !before.some(({ channels }) => channels.some((channel) => group.channels.includes(channel)));
}

/** Where a light is focused, as a point of the drawing. */
function focusOf({ number, place }: Channel) {
  if (!place?.aim) return [];
  const { x, y, z } = place.aim;
  const matrix = { axes: axesOf(FLAT), place: [x * 1000, z * 1000, y * 1000] as const };
  return [
    element("FocusPoint", { uuid: uuidOf(`focus ${number}`), name: `Focus ${number}` }, [textElement("Matrix", writeMatrix(matrix))]),
  ];
}

function fixtureOf({ number, type, label = "", patch, place }: Channel, classes: readonly Group[]) {
  const { x, y, z } = place ?? FLAT;
  const matrix = { axes: axesOf(place?.turn ?? FLAT), place: [x * 1000, z * 1000, y * 1000] as const };
  const patches = patch ? [patch, ...(patch.more ?? [])] : [];
  const own = classes.find(({ channels }) => channels.includes(number));
  return element("Fixture", { uuid: uuidOf(`light ${number}`), name: label || `Light ${number}` }, [
    textElement("Matrix", writeMatrix(matrix)),
    textElement("GDTFSpec", `${fileOf(type)}.gdtf`),
    textElement("GDTFMode", OUR_MODE),
    element(
      "Addresses",
      {},
      patches.map((patch, at) => element("Address", { break: String(at) }, [], String(countedThrough(patch)))),
    ),
    ...(own ? [textElement("Classing", uuidOf(`class ${own.label || own.id}`))] : []),
    ...(place?.aim ? [textElement("Focus", uuidOf(`focus ${number}`))] : []),
    textElement("FixtureID", String(number)),
    textElement("FixtureIDNumeric", String(number)),
    textElement("UnitNumber", String(number)),
  ]);
}

function fileOf(type: string): string {
  return type.replace(/[^A-Za-z0-9_.-]/g, "_");
}

/** What the drawing does not say: groups that are neither a layer whole nor a class, and all that is not the rig. */
function unsaid({ channels, groups }: Show, layers: ReadonlyMap<string, readonly Channel[]>, classes: readonly Group[]): Remark[] {
  const isWhole = (group: Group): boolean =>
    classes.includes(group) || layers.get(group.label || group.id)?.length === group.channels.length;
  const cut = groups.filter((group) => !isWhole(group));
  const nowhere = channels.filter(({ place }) => !place).length;
  return [
    ...(cut.length > 0
      ? [
          {
            kind: "left" as const,
            words: `that lights are in more than two groups, of: ${cut.map(({ label, id }) => label || id).join(", ")}`,
          },
        ]
      : []),
    ...(nowhere > 0
      ? [{ kind: "changed" as const, words: `${nowhere} lights that hang nowhere yet are drawn at the middle of the stage` }]
      : []),
    { kind: "left", words: "cues, palettes, and everything else that is not the rig" },
  ];
}
