import { ShowError, type Address, addressCounted, readPatch } from "@zm/core";
import { type GdtfType, readGdtf } from "../gdtf/description.ts";
import { type XmlElement, childOf, childrenOf, readXml } from "../xml/xml.ts";
import { textOf, unzipped } from "../zip/unzip.ts";
import { type Matrix, STILL, readMatrix, within } from "./matrix.ts";

/** A light of a drawing: what it is called and is, where it hangs in the whole, where it is patched, and the layer and class it is drawn in. */
export interface DrawnLight {
  readonly name: string;
  /** Its number as it is drawn; empty where it has none. */
  readonly number: string;
  readonly spec: string;
  readonly mode: string;
  readonly matrix: Matrix;
  /** By break, rising. */
  readonly addresses: readonly Address[];
  readonly layer: string;
  readonly drawnClass: string;
  /** Where it is focused, where the drawing says so. */
  readonly focus?: Matrix;
}

/** A drawing: its lights, the types that came with it by the name of their file, and how much else is drawn. */
export interface DrawnScene {
  readonly lights: readonly DrawnLight[];
  readonly types: ReadonlyMap<string, GdtfType>;
  /** Types whose files could not be read, with why. */
  readonly unread: readonly string[];
  /** How many things of each other kind are drawn. */
  readonly others: ReadonlyMap<string, number>;
}

const SCENE = "GeneralSceneDescription.xml";
/** Things that are drawn and hold other things. */
const HOLDERS: ReadonlySet<string> = new Set(["GroupObject", "Truss", "Support", "SceneObject", "Fixture"]);

/**
 * Reads a drawing of a rig (MVR). Throws ShowError for what is no drawing. Lights within groups, trusses and other lights hang where all of these put them.
 */
export function readMvr(bytes: Uint8Array, name: string): DrawnScene {
  const files = unzipped(bytes, (file) => file === SCENE || /\.gdtf$/i.test(file));
  const description = files.get(SCENE);
  if (!description) throw new ShowError(`${name} holds no ${SCENE}; it is no drawing of a rig`);
  const root = readXml(textOf(description), `${name}, ${SCENE}`);
  const scene = childOf(root, "Scene");
  if (root.name !== "GeneralSceneDescription" || !scene) throw new ShowError(`${name}: its ${SCENE} draws no scene`);
  const unread: string[] = [];
  const types = new Map<string, GdtfType>();
  for (const [file, content] of files) {
    if (file === SCENE) continue;
    try {
      types.set(specName(file), readGdtf(content, file));
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      unread.push(error.message);
    }
  }
  const classes = new Map(
    childrenOf(childOf(scene, "AUXData"), "Class").map(({ attributes }) => [attributes["uuid"] ?? "", attributes["name"] ?? ""]),
  );
  const walk = new Walk(classes);
  const layers = childrenOf(childOf(scene, "Layers"), "Layer");
  for (const layer of layers) walk.focusPoints(childOf(layer, "ChildList"), matrixOf(layer));
  for (const layer of layers) walk.children(childOf(layer, "ChildList"), matrixOf(layer), layer.attributes["name"] ?? "");
  return { lights: walk.lights, types, unread, others: walk.others };
}

/** A type's file as lights name it: without folders and its ending. */
export function specName(file: string): string {
  return file.replace(/^.*\//, "").replace(/\.gdtf$/i, "");
}

function matrixOf(element: XmlElement): Matrix {
  return readMatrix(childOf(element, "Matrix")?.text ?? "") ?? STILL;
}

class Walk {
  readonly lights: DrawnLight[] = [];
  readonly others = new Map<string, number>();
  private readonly focus = new Map<string, Matrix>();

  constructor(private readonly classes: ReadonlyMap<string, string>) {}

  focusPoints(list: XmlElement | undefined, outer: Matrix): void {
    for (const element of list?.children ?? []) {
      const own = within(outer, matrixOf(element));
      if (element.name === "FocusPoint") this.focus.set(element.attributes["uuid"] ?? "", own);
      this.focusPoints(childOf(element, "ChildList"), own);
    }
  }

  children(list: XmlElement | undefined, outer: Matrix, layer: string): void {
    for (const element of list?.children ?? []) {
      const own = within(outer, matrixOf(element));
      if (element.name === "Fixture") this.lights.push(this.lightOf(element, own, layer));
      else if (element.name !== "GroupObject" && element.name !== "FocusPoint")
        this.others.set(element.name, (this.others.get(element.name) ?? 0) + 1);
      if (HOLDERS.has(element.name)) this.children(childOf(element, "ChildList"), own, layer);
    }
  }

  private lightOf(element: XmlElement, matrix: Matrix, layer: string): DrawnLight {
    const said = (name: string): string => childOf(element, name)?.text ?? "";
    const addresses = childrenOf(childOf(element, "Addresses"), "Address")
      .map(({ attributes, text }) => ({ under: Number(attributes["break"] ?? 0), address: drawnAddress(text) }))
      .sort((a, b) => a.under - b.under)
      .flatMap(({ address }) => (address === undefined ? [] : [address]));
    const focus = this.focus.get(said("Focus"));
    return {
      name: element.attributes["name"] ?? "",
      number: said("FixtureIDNumeric") || said("FixtureID"),
      spec: specName(said("GDTFSpec")),
      mode: said("GDTFMode"),
      matrix,
      addresses,
      layer,
      drawnClass: this.classes.get(said("Classing")) ?? "",
      ...(focus ? { focus } : {}),
    };
  }
}

/** An address, counted through all universes from 1, or as universe and address, "2.45". Undefined for what is none, and for 0: not patched. */
function drawnAddress(text: string): Address | undefined {
  return readPatch(text) ?? addressCounted(/^\d{1,8}$/.test(text) ? Number(text) : 0);
}
