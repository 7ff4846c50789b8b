import { ShowError } from "./errors.ts";
import type { Attribute, Channel, FixtureType, Show } from "./schema.ts";

/** The rig as it is looked up: what each channel is and what it can do. */
export interface Rig {
  /** By id. */
  readonly types: ReadonlyMap<string, FixtureType>;
  /** By number. */
  readonly channels: ReadonlyMap<number, Channel>;
  /** By channel number, then by attribute id, in the order of the type. */
  readonly attributes: ReadonlyMap<number, ReadonlyMap<string, Attribute>>;
}

/** Builds the look-up of a show's channels. Channels of an unknown type have no attributes. */
export function rigOf(show: Pick<Show, "fixtureTypes" | "channels">): Rig {
  const types = new Map(show.fixtureTypes.map((type) => [type.id, type]));
  const byType = new Map(
    show.fixtureTypes.map((type) => [type.id, new Map(type.attributes.map((attribute) => [attribute.id, attribute]))]),
  );
  const none = new Map<string, Attribute>();
  return {
    types,
    channels: new Map(show.channels.map((channel) => [channel.number, channel])),
    attributes: new Map(show.channels.map((channel) => [channel.number, byType.get(channel.type) ?? none])),
  };
}

/** The attribute that a key names. Throws ShowError, naming `place`, when the channel or attribute does not exist. */
export function attributeAt(rig: Rig, channel: number, attribute: string, place: string): Attribute {
  const attributes = rig.attributes.get(channel);
  if (!attributes) throw new ShowError(`${place}: channel ${channel} is not in the rig`);
  const found = attributes.get(attribute);
  if (found) return found;
  throw new ShowError(`${place}: channel ${channel} has no attribute "${attribute}"; it has ${[...attributes.keys()].join(", ")}`);
}
