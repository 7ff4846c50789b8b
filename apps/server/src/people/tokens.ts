import { createHash, randomBytes, randomInt, timingSafeEqual } from "node:crypto";

/** Signs of a code that is read aloud and typed: none that looks like another. */
const SIGNS = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";
const LENGTH = 8;

/** A secret that nobody can guess, for a browser or a program of this machine. */
export function newToken(): string {
  return randomBytes(32).toString("base64url");
}

/** A code for an invitation, "K7QM-2XPD". */
export function newCode(): string {
  const signs = Array.from({ length: LENGTH }, () => SIGNS.charAt(randomInt(SIGNS.length))).join("");
  return `${signs.slice(0, LENGTH / 2)}-${signs.slice(LENGTH / 2)}`;
}

/** A code as it was meant, however it was typed. */
export function plainCode(typed: string): string {
  return typed.toUpperCase().replace(/[^A-Z0-9]/g, "");
}

/** What is stored of a secret: nobody can find the secret from it. */
export function digestOf(secret: string): string {
  return createHash("sha256").update(secret).digest("hex");
}

/** Whether two secrets are the same; it takes as long for every pair. */
export function sameSecret(one: string, other: string): boolean {
  return timingSafeEqual(Buffer.from(digestOf(one)), Buffer.from(digestOf(other)));
}
