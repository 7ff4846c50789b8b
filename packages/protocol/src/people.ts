import { z } from "zod";

/** What somebody is in a production. */
export const ROLES = ["programmer", "operator", "designer", "watcher"] as const;
export type Role = (typeof ROLES)[number];

/** What can be asked for: to look, to write notes, to run the show, to change it, to say who may in. */
export const RIGHTS = ["see", "note", "run", "edit", "manage"] as const;
export type Right = (typeof RIGHTS)[number];

const RIGHTS_OF: Readonly<Record<Role, readonly Right[]>> = {
  programmer: ["see", "note", "run", "edit", "manage"],
  operator: ["see", "run"],
  designer: ["see", "note"],
  watcher: ["see"],
};

/** What each role does, as it is read out behind its name. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  programmer: "builds and runs the show, and says who may in",
  operator: "runs the show and sees everything, and edits nothing",
  designer: "sees everything and writes notes, and neither runs nor edits",
  watcher: "sees everything, and does nothing",
};

const RIGHT_WORDS: Readonly<Record<Right, string>> = {
  see: "looks at shows",
  note: "writes notes",
  run: "runs the show",
  edit: "edits",
  manage: "says who may in",
};

/** Who asks. Without a name: nobody has an account yet, and whoever sits at the machine may do everything. */
export const person = z.object({ name: z.string().nullable(), role: z.enum(ROLES) });
export type Person = z.infer<typeof person>;

/** Whoever sits at a machine where nobody has an account. */
export const ANYBODY: Person = { name: null, role: "programmer" };

/** Whether a role brings a right. */
export function mayDo({ role }: Pick<Person, "role">, right: Right): boolean {
  return RIGHTS_OF[role].includes(right);
}

/** Edits that write notes and touch nothing else. */
const NOTES = new Set<unknown>(["setNote", "removeNote"]);

/** Which right edits need: those that write notes alone need no more than that. */
export function rightFor(edits: readonly object[]): Right {
  return edits.every((edit) => NOTES.has(Reflect.get(edit, "op"))) ? "note" : "edit";
}

/** A role with its article: "an operator". */
export function aRole(role: Role): string {
  return `${/^[aeiou]/.test(role) ? "an" : "a"} ${role}`;
}

/** How somebody else is called: by their name, or where nobody has an account, as what they are. */
export function nameOfOther(name: string | null): string {
  return name ?? "Another window";
}

/** Why somebody may not do what they asked for: who they are, what that role does, and who could. */
export function notAllowedWords({ name, role }: Person, right: Right): string {
  const able = ROLES.filter((each) => mayDo({ role: each }, right)).join(" or ");
  return `${name ?? "This window"} is ${aRole(role)}, who ${ROLE_WORDS[role]}; only a ${able} ${RIGHT_WORDS[right]}.`;
}

export const LONGEST_NAME = 40;
export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 200;

/** A name as people are called by it: letters, digits, spaces, dots, hyphens and apostrophes, with a letter or digit first. */
export const PERSON_NAME = /^[\p{L}\p{N}][\p{L}\p{M}\p{N} .'’-]{0,39}$/u;
export const NAME_FAULT = `a name is 1 to ${LONGEST_NAME} letters and digits, with spaces, dots, hyphens and apostrophes between them`;
export const PASSWORD_FAULT = `a password has ${SHORTEST_PASSWORD} to ${LONGEST_PASSWORD} characters`;
const name = z.string().max(LONGEST_NAME);
const password = z.string().max(LONGEST_PASSWORD);

/** Who this window is to the server, and what it has to know of the door. */
export const meReply = z.object({
  /** Null where somebody has to sign in first. */
  person: person.nullable(),
  /** Whether anybody has an account; where nobody has, whoever sits at the machine may do everything. */
  accounts: z.boolean(),
  /** The fingerprint of the certificate with which the server proves who it is, where it has one. */
  fingerprint: z.string().nullable(),
  /** Addresses at which other machines reach it; none where it serves this machine alone. */
  addresses: z.array(z.string()),
});
export type MeReply = z.infer<typeof meReply>;

export const signInRequest = z.object({ name, password });
export type SignInRequest = z.infer<typeof signInRequest>;

export const passwordRequest = z.object({ password, next: password });
export type PasswordRequest = z.infer<typeof passwordRequest>;

/** An account: who, as what, since when, and in how many browsers they are signed in. */
export const account = z.object({ name: z.string(), role: z.enum(ROLES), made: z.string(), sessions: z.number() });
export type Account = z.infer<typeof account>;

/** An invitation that is still open: for which role, by whom, until when (milliseconds). */
export const invitation = z.object({ id: z.number(), role: z.enum(ROLES), by: z.string().nullable(), ends: z.number() });
export type Invitation = z.infer<typeof invitation>;

export const peopleReply = z.object({ accounts: z.array(account), invitations: z.array(invitation) });
export type PeopleReply = z.infer<typeof peopleReply>;

export const accountRequest = z.object({ name, role: z.enum(ROLES), password });
export type AccountRequest = z.infer<typeof accountRequest>;

export const roleRequest = z.object({ role: z.enum(ROLES) });
export type RoleRequest = z.infer<typeof roleRequest>;

/** An invitation with the code that is told once, when it is made. */
export const invitationReply = z.object({ ...invitation.shape, code: z.string() });
export type InvitationReply = z.infer<typeof invitationReply>;

export const joinRequest = z.object({ code: z.string().max(20), name, password });
export type JoinRequest = z.infer<typeof joinRequest>;
