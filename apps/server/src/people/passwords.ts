import { ShowError } from "@zm/core";
import { LONGEST_PASSWORD, PASSWORD_FAULT, SHORTEST_PASSWORD } from "@zm/protocol";
import { hash, verify } from "@node-rs/argon2";

/** Hashes a password for storage. Throws ShowError for one that is too short or too long. */
export async function hashPassword(password: string): Promise<string> {
  if (password.length < SHORTEST_PASSWORD || password.length > LONGEST_PASSWORD)
    throw new ShowError(`${PASSWORD_FAULT}; this one has ${password.length}`);
  return hash(password);
}

let stranger: Promise<string> | undefined;

/** Whether a password is the one whose hash was stored. Of nobody's it takes as long, so that the time does not tell which names there are. */
export async function isPassword(stored: string | undefined, password: string): Promise<boolean> {
  const known = stored ?? (await (stranger ??= hash("nobody has this password")));
  const fits = await verify(known, password.slice(0, LONGEST_PASSWORD)).catch(() => false);
  return fits && stored !== undefined;
}
