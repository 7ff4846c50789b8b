import type { Finding } from "./finding.ts";

/**
 * The identity of a finding: the same for as long as it says the same of the same place, and another as soon as the facts change. Sixteen
 * hexadecimal digits.
 * Whoever puts a finding aside keeps this, and sees it again when it says something else.
 */
export function findingId({ code, list, cue, channel, message }: Finding): string {
  return digest([code, list ?? "", cue ?? "", channel ?? "", asFirstSaid(message)].join("\n"));
}

/** Messages said "channel" once where they say "light" now; what was put aside then stays aside. */
function asFirstSaid(message: string): string {
  return message.replace(/\bLight (?=\d)/g, "Channel ").replace(/\blight (?=\d)/g, "channel ");
}

/** Two mixed sums of 32 bits over a text; for telling texts apart, not for keeping secrets. */
function digest(text: string): string {
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at);
    a = Math.imul(a ^ code, 0x9e3779b1);
    b = Math.imul(b ^ code, 0x5f356495);
  }
  a = Math.imul(a ^ (a >>> 16), 0x85ebca6b) ^ Math.imul(b ^ (b >>> 13), 0xc2b2ae35);
  b = Math.imul(b ^ (b >>> 16), 0x85ebca6b) ^ Math.imul(a ^ (a >>> 13), 0xc2b2ae35);
  return [a, b].map((half) => (half >>> 0).toString(16).padStart(8, "0")).join("");
}
