/**
 * One attribute of one channel as it is written: "12.pan".
 * What it names need not be in the rig.
 */
export function keyName(channel: number | string, attribute: string): string {
  return `${channel}.${attribute}`;
}
