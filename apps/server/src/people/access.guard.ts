import type { IncomingMessage } from "node:http";
import {
  type CanActivate,
  type ExecutionContext,
  ForbiddenException,
  Injectable,
  InternalServerErrorException,
  UnauthorizedException,
} from "@nestjs/common";
import { Reflector } from "@nestjs/core";
import { RIGHTS, mayDo, notAllowedWords } from "@zm/protocol";
import type { Socket } from "socket.io";
import { NEEDS, NOTHING, setPerson } from "./person.ts";
import { PeopleService } from "./people.service.ts";

/** Lets in who may do what a route or a live event needs; everybody else is told why not. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly people: PeopleService,
  ) {}

  canActivate(context: ExecutionContext): boolean {
    const said = this.reflector.get<unknown>(NEEDS, context.getHandler());
    const request = requestOf(context);
    const person = this.people.personOf(request);
    if (person) setPerson(request, person);
    if (said === NOTHING) return true;
    const right = RIGHTS.find((each) => each === said);
    if (!right) throw new InternalServerErrorException(`${context.getHandler().name} does not say who may ask for it`);
    if (!person) throw new UnauthorizedException("Sign in first");
    if (!mayDo(person, right)) throw new ForbiddenException(`${notAllowedWords(person, right)} Nothing was changed.`);
    return true;
  }
}

/** The request itself, or the one with which a window has opened its live line. */
function requestOf(context: ExecutionContext): IncomingMessage {
  return context.getType() === "ws"
    ? context.switchToWs().getClient<Socket>().request
    : context.switchToHttp().getRequest<IncomingMessage>();
}
