import type { Attribute, FixtureType } from "@zm/core";
import { placesOf } from "@zm/core";
import { strToU8 } from "fflate";
import { element, xmlText } from "../xml/writeXml.ts";
import { zipped } from "../zip/zipped.ts";
import { OUR_MODE, OUR_TYPES } from "./ourTypes.ts";
import { standardName } from "./attributeNames.ts";

const FEATURES: Readonly<Record<Attribute["family"], string>> = {
  intensity: "Dimmer.Dimmer",
  position: "Position.PanTilt",
  colour: "Color.RGB",
  beam: "Beam.Beam",
};

/** A type as a fixture type file, so that a drawing which names it can be read elsewhere: its attributes, ranges, speeds, addresses and slots, and no geometry but a body. */
export function writeGdtf(type: FixtureType): Uint8Array {
  const breaks = [...new Set(type.attributes.map((attribute) => attribute.break ?? 1))].sort((a, b) => a - b);
  const channels = breaks.flatMap((under) =>
    placesOf(type, under).map(({ attribute, offsets }) =>
      channelOf(
        attribute,
        offsets.map((offset) => offset + 1),
      ),
    ),
  );
  const root = element("GDTF", { DataVersion: "1.2" }, [
    element(
      "FixtureType",
      {
        Name: type.name || type.id,
        ShortName: type.id,
        LongName: type.name || type.id,
        Manufacturer: OUR_TYPES,
        FixtureTypeID: uuidOf(`type ${type.id}`),
        Description: "",
      },
      [
        element("AttributeDefinitions", {}, [
          element("ActivationGroups", {}, []),
          element("FeatureGroups", {}, featureGroups()),
          element(
            "Attributes",
            {},
            type.attributes.map(({ id, name, family }) =>
              element(
                "Attribute",
                {
                  Name: standardName(id),
                  Pretty: name ?? id,
                  Feature: FEATURES[family],
                  PhysicalUnit: family === "position" ? "Angle" : "None",
                },
                [],
              ),
            ),
          ),
        ]),
        element(
          "Wheels",
          {},
          type.attributes.flatMap(({ id, slots }) =>
            slots
              ? [
                  element(
                    "Wheel",
                    { Name: `Wheel ${id}` },
                    slots.map(({ name }) => element("Slot", { Name: name, Color: "0.3127,0.3290,100.0" }, [])),
                  ),
                ]
              : [],
          ),
        ),
        element("Geometries", {}, [element("Geometry", { Name: "Body", Position: "{1,0,0,0}{0,1,0,0}{0,0,1,0}{0,0,0,1}" }, [])]),
        element("DMXModes", {}, [element("DMXMode", { Name: OUR_MODE, Geometry: "Body" }, [element("DMXChannels", {}, channels)])]),
      ],
    ),
  ]);
  return zipped({ "description.xml": strToU8(xmlText(root)) });
}

function featureGroups() {
  return Object.entries({ Dimmer: "Dimmer", Position: "PanTilt", Color: "RGB", Beam: "Beam" }).map(([Name, feature]) =>
    element("FeatureGroup", { Name, Pretty: Name }, [element("Feature", { Name: feature }, [])]),
  );
}

function channelOf(attribute: Attribute, addresses: readonly number[]) {
  const { id, family, min, max, home, speed, snap, highlight, slots = [] } = attribute;
  const bytes = addresses.length;
  const most = 256 ** bytes - 1;
  const dmx = (value: number): string => `${max > min ? Math.round(((value - min) / (max - min)) * most) : 0}/${bytes}`;
  const name = standardName(id);
  const physical = family === "intensity" ? { PhysicalFrom: "0", PhysicalTo: "1" } : { PhysicalFrom: String(min), PhysicalTo: String(max) };
  const own = {
    Name: name,
    Attribute: name,
    DMXFrom: `0/${bytes}`,
    Default: dmx(home),
    ...physical,
    ...(speed === undefined ? {} : { RealFade: String(Math.round(((max - min) / speed) * 1000) / 1000) }),
    ...(slots.length > 0 ? { Wheel: `Wheel ${id}` } : {}),
  };
  const sets = slots.map((slot, index) =>
    element("ChannelSet", { Name: slot.name, DMXFrom: dmx(slot.value), WheelSlotIndex: String(index + 1) }, []),
  );
  return element(
    "DMXChannel",
    {
      DMXBreak: String(attribute.break ?? 1),
      Offset: addresses.join(","),
      Geometry: "Body",
      Highlight: highlight === undefined ? (family === "intensity" ? dmx(max) : "None") : dmx(highlight),
    },
    [element("LogicalChannel", { Attribute: name, Snap: snap ? "Yes" : "No" }, [element("ChannelFunction", own, sets)])],
  );
}

/** An identity made of a text: the same for the same text, so that what is written twice is the same thing. */
export function uuidOf(text: string): string {
  const words = [0x811c9dc5, 0x01000193, 0x9e3779b1, 0x85ebca6b].map((seed) => {
    let hash = seed;
    for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
    return (hash >>> 0).toString(16).padStart(8, "0");
  });
  const hex = words.join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`.toUpperCase();
}
