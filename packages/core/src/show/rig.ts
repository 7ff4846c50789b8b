import { ShowError } from "./errors.ts";
import type { Attribute, Channel, FixtureType, Show } from "./schema.ts";

/**
 * The rig as it is looked up: what each channel is and what it can do.
 * Built once for each rig and kept: edits of cues share it.
 * Everything that needs an attribute's range, speed or family asks here.
 */
export interface Rig {
  /** By id. */
  readonly types: ReadonlyMap<string, FixtureType>;
  /** By number. */
  readonly channels: ReadonlyMap<number, Channel>;
  /** By channel number, then by attribute id, in the order of the type. */
  readonly attributes: ReadonlyMap<number, ReadonlyMap<string, Attribute>>;
}

/**
 * Builds the look-up of a show's channels. Channels of an unknown type have no attributes.
 * Costs a walk over the channels; attributes of one type are shared between its channels.
 */
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

/**
 * The attribute that a key names. Throws ShowError, naming `place`, when the channel or attribute does not exist.
 * The message lists what the channel does have, so that a slip can be mended at once.
 */
export function attributeAt(rig: Rig, channel: number, attribute: string, place: string): Attribute {
  const attributes = rig.attributes.get(channel);
  if (!attributes) throw new ShowError(`${place}: channel ${channel} is not in the rig`);
  const found = attributes.get(attribute);
  if (found) return found;
  throw new ShowError(`${place}: channel ${channel} has no attribute "${attribute}"; it has ${[...attributes.keys()].join(", ")}`);
}
