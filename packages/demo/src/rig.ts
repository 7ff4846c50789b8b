import { aimAt, type Attribute, type Channel, type FixtureType, type Group, type Palette, type PaletteValue } from "@zm/core";

const intensity: Attribute = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const mix: Attribute[] = ["red", "green", "blue"].map((id) => ({ id, family: "colour", min: 0, max: 100, home: 100 }));
const wheel: Attribute = {
  id: "gobo",
  family: "beam",
  min: 0,
  max: 8,
  home: 0,
  snap: true,
  slots: ["Open", "Window", "Waves", "Leaves", "Rain", "Lattice", "Cracks", "Stars", "Cloud"].map((name, value) => ({ value, name })),
};
const zoom: Attribute = { id: "zoom", family: "beam", min: 6, max: 50, home: 22, speed: 30 };

function moving(panSpeed: number, tiltSpeed: number): Attribute[] {
  return [
    { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: panSpeed },
    { id: "tilt", family: "position", min: -130, max: 130, home: 0, speed: tiltSpeed },
  ];
}

export const fixtureTypes: FixtureType[] = [
  { id: "lens", name: "Lens lantern", attributes: [intensity] },
  { id: "flood", name: "Flood", attributes: [intensity] },
  { id: "led-wash", name: "LED wash", attributes: [intensity, ...mix] },
  {
    id: "profile",
    name: "Moving profile",
    attributes: [intensity, ...moving(150, 110), ...mix, zoom, wheel],
  },
  { id: "wash", name: "Moving wash", attributes: [intensity, ...moving(110, 80), ...mix, zoom] },
];

interface Row {
  id: string;
  label: string;
  type: string;
  first: number;
  count: number;
  names: string;
  universe: number;
  /** From the leftmost light to the rightmost, in metres. */
  x: [number, number];
  y: number;
  z: number;
  /** Where the row is focused: a point, or straight ahead of each light at this depth and height. */
  aim?: { x?: number; y: number; z: number };
}

const rows: Row[] = [
  {
    id: "cabin",
    label: "Cabin wash",
    type: "lens",
    first: 1,
    count: 8,
    names: "Cabin",
    universe: 1,
    x: [-4.4, 4.4],
    y: 5.2,
    z: 1.2,
    aim: { y: 0.6, z: 4 },
  },
  {
    id: "lantern",
    label: "Lantern",
    type: "lens",
    first: 11,
    count: 4,
    names: "Lamp",
    universe: 1,
    x: [1.4, 3.6],
    y: 4.6,
    z: 6.2,
    aim: { x: 2.5, y: 1.4, z: 5.6 },
  },
  {
    id: "sea",
    label: "Sea cloth",
    type: "led-wash",
    first: 21,
    count: 12,
    names: "Sea",
    universe: 1,
    x: [-6.4, 6.4],
    y: 0.3,
    z: 7.4,
    aim: { y: 4.4, z: 8.8 },
  },
  {
    id: "front",
    label: "Front",
    type: "lens",
    first: 41,
    count: 6,
    names: "Front",
    universe: 1,
    x: [-4.4, 4.4],
    y: 6.4,
    z: -3.5,
    aim: { y: 1.2, z: 2.6 },
  },
  {
    id: "door",
    label: "Door",
    type: "lens",
    first: 51,
    count: 4,
    names: "Door",
    universe: 1,
    x: [-6.6, -4.8],
    y: 3.6,
    z: 4.4,
    aim: { x: -2.2, y: 0, z: 3.4 },
  },
  { id: "profiles", label: "Profiles", type: "profile", first: 61, count: 8, names: "Profile", universe: 2, x: [-5, 5], y: 6.2, z: 3 },
  { id: "washes", label: "Washes", type: "wash", first: 71, count: 8, names: "Wash", universe: 3, x: [-5.6, 5.6], y: 7.7, z: 5.4 },
  {
    id: "booms",
    label: "Booms",
    type: "led-wash",
    first: 81,
    count: 6,
    names: "Boom",
    universe: 1,
    x: [-6.6, 6.6],
    y: 2.4,
    z: 3.2,
    aim: { x: 0, y: 0.9, z: 3.6 },
  },
  {
    id: "back",
    label: "Back",
    type: "flood",
    first: 91,
    count: 6,
    names: "Back",
    universe: 1,
    x: [-4.6, 4.6],
    y: 9.3,
    z: 6.6,
    aim: { y: 0, z: 4.2 },
  },
];

function places(row: Row): Channel[] {
  const width = fixtureTypes.find((type) => type.id === row.type)?.attributes.length ?? 1;
  return Array.from({ length: row.count }, (_, index): Channel => {
    const x = round(row.x[0] + ((row.x[1] - row.x[0]) * index) / Math.max(1, row.count - 1));
    const start = { sea: 101, front: 31, door: 41, booms: 181, back: 51, lantern: 21 }[row.id] ?? 1;
    return {
      number: row.first + index,
      type: row.type,
      label: `${row.names} ${index + 1}`,
      patch: { universe: row.universe, address: start + index * width },
      place: { x, y: row.y, z: row.z, ...(row.aim ? { aim: { x: row.aim.x ?? round(x * 0.8), y: row.aim.y, z: row.aim.z } } : {}) },
    };
  });
}

function round(metres: number): number {
  return Math.round(metres * 100) / 100;
}

export const channels: Channel[] = rows.flatMap(places);
export const groups: Group[] = rows.map((row) => ({
  id: row.id,
  label: row.label,
  channels: Array.from({ length: row.count }, (_, index) => row.first + index),
}));

function tint(id: string, label: string, red: number, green: number, blue: number): Palette {
  return {
    id,
    label,
    family: "colour",
    values: [
      { attribute: "red", value: red },
      { attribute: "green", value: green },
      { attribute: "blue", value: blue },
    ],
  };
}

function focus(id: string, label: string, x: number, y: number, z: number, spread: number): Palette {
  const movers = channels.filter((channel) => channel.type === "profile" || channel.type === "wash");
  const values = movers.flatMap((channel): PaletteValue[] => {
    if (!channel.place) return [];
    const aside = (channel.place.x / 6) * spread;
    const { pan, tilt } = aimAt(channel.place, { x: x + aside, y, z });
    return [
      { attribute: "pan", value: round(pan), channel: channel.number },
      { attribute: "tilt", value: round(tilt), channel: channel.number },
    ];
  });
  return { id, label, family: "position", values };
}

export const palettes: Palette[] = [
  tint("dusk", "Dusk", 78, 42, 66),
  tint("storm", "Storm", 16, 34, 62),
  tint("lamplight", "Lamplight", 100, 68, 30),
  tint("moon", "Moon", 46, 62, 92),
  tint("dawn", "Dawn", 100, 72, 60),
  tint("electric", "Electric", 88, 96, 100),
  tint("deep-sea", "Deep sea", 4, 40, 52),
  focus("table", "Table", -1.4, 0.8, 3.4, 0.8),
  focus("window", "Window", -4.6, 1.8, 6.4, 1.2),
  focus("stairs", "Stairs", 4.4, 1.2, 4.8, 0.8),
  focus("lamp", "Lamp room", 2.5, 1.6, 5.8, 0.6),
  focus("wide", "Wide", 0, 0, 3.6, 9),
  focus("sky", "Sky", 0, 4.6, 8.7, 11),
];
