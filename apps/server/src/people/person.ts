import type { IncomingMessage } from "node:http";
import { type ExecutionContext, SetMetadata, createParamDecorator } from "@nestjs/common";
import { ANYBODY, type Person, type Right } from "@zm/protocol";

/** Under this name a route or an event says what it needs. */
export const NEEDS = "what it needs of who asks";
/** What a route says that everybody may ask, signed in or not. */
export const NOTHING = "nothing";

/** Which right a route or a live event needs. Each says it for itself; one that does not is refused to everybody. */
export const Needs = (right: Right): MethodDecorator => SetMetadata(NEEDS, right);

/** For what somebody asks before they are signed in. */
export const OpenToAll = (): MethodDecorator => SetMetadata(NEEDS, NOTHING);

const people = new WeakMap<IncomingMessage, Person>();

/** Says who has sent a request; by the guard, once for each. */
export function setPerson(request: IncomingMessage, person: Person): void {
  people.set(request, person);
}

/** Who has sent a request that the guard has let in. */
export function personOf(request: IncomingMessage): Person {
  return people.get(request) ?? { ...ANYBODY, role: "watcher" };
}

/** Who asks, as an argument of a route. */
export const Who = createParamDecorator((_: unknown, context: ExecutionContext): Person =>
  personOf(context.switchToHttp().getRequest<IncomingMessage>()),
);
