import { Body, Controller, Delete, Get, HttpCode, Param, ParseIntPipe, Patch, Post, Put, Req, Res, UseGuards } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { ThrottlerGuard } from "@nestjs/throttler";
import type { InvitationReply, MeReply, PassageReply, PeopleReply, Person } from "@zm/protocol";
import type { Request, Response } from "express";
import { Certificate } from "../door/certificate.ts";
import { reachedAt } from "../door/addresses.ts";
import { Settings } from "../settings.ts";
import { AccountDto, JoinDto, PasswordDto, RoleDto, SignInDto } from "./people.dto.ts";
import { COOKIE, PeopleService, SESSION, type SignedIn } from "./people.service.ts";
import { Needs, OpenToAll, Who } from "./person.ts";

@ApiTags("people")
@Controller("api")
export class PeopleController {
  constructor(
    private readonly people: PeopleService,
    private readonly certificate: Certificate,
    private readonly settings: Settings,
  ) {}

  @Post("me/passage")
  @HttpCode(200)
  @Needs("see")
  @ApiOperation({ summary: "What lets a window in at the other servers of these shows, should its own fall silent" })
  async passage(@Who() person: Person): Promise<PassageReply> {
    return { token: await this.people.passage(person) };
  }

  @Get("me")
  @OpenToAll()
  @ApiOperation({ summary: "Who this window is to the server, and whether somebody has to sign in" })
  me(@Req() request: Request): MeReply {
    return this.told(this.people.personOf(request));
  }

  @Post("sessions")
  @HttpCode(200)
  @OpenToAll()
  @UseGuards(ThrottlerGuard)
  @ApiOperation({ summary: "Sign in" })
  async signIn(
    @Body() { name, password }: SignInDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<MeReply> {
    return this.begin(await this.people.signIn(name, password), request, response);
  }

  @Delete("sessions/own")
  @OpenToAll()
  @ApiOperation({ summary: "Sign out in this browser" })
  async signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<MeReply> {
    await this.people.signOut(request);
    response.clearCookie(COOKIE);
    return this.told(this.people.hasAccounts ? null : this.people.personOf(request));
  }

  @Delete("sessions")
  @Needs("see")
  @ApiOperation({ summary: "Sign out in every browser" })
  async signOutEverywhere(@Who() who: Person, @Res({ passthrough: true }) response: Response): Promise<MeReply> {
    await this.people.signOutEverywhere(who);
    response.clearCookie(COOKIE);
    return this.told(this.people.hasAccounts ? null : who);
  }

  @Put("me/password")
  @Needs("see")
  @UseGuards(ThrottlerGuard)
  @ApiOperation({ summary: "Take another password; every other browser is signed out" })
  async password(
    @Who() who: Person,
    @Body() { password, next }: PasswordDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<MeReply> {
    return this.begin(await this.people.setPassword(who, password, next), request, response);
  }

  @Get("people")
  @Needs("see")
  @ApiOperation({ summary: "Everybody who has an account, and the invitations that are open" })
  all(): Promise<PeopleReply> {
    return this.people.all();
  }

  @Post("people")
  @HttpCode(200)
  @Needs("manage")
  @ApiOperation({ summary: "Make an account; the first one signs in whoever makes it" })
  async add(
    @Body() { name, role, password }: AccountDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PeopleReply> {
    const isFirst = !this.people.hasAccounts;
    await this.people.add(name, role, password);
    if (isFirst) this.begin(await this.people.signIn(name, password), request, response);
    return this.people.all();
  }

  @Patch("people/:name")
  @Needs("manage")
  @ApiOperation({ summary: "Give somebody another role" })
  async role(@Param("name") name: string, @Body() { role }: RoleDto): Promise<PeopleReply> {
    await this.people.setRole(name, role);
    return this.people.all();
  }

  @Delete("people/:name")
  @Needs("manage")
  @ApiOperation({ summary: "Take an account away, and sign its browsers out" })
  async remove(@Param("name") name: string): Promise<PeopleReply> {
    await this.people.remove(name);
    return this.people.all();
  }

  @Post("invitations")
  @HttpCode(200)
  @Needs("manage")
  @ApiOperation({ summary: "Invite somebody: a code that ends after ten minutes and is told once" })
  invite(@Body() { role }: RoleDto, @Who() who: Person): Promise<InvitationReply> {
    return this.people.invite(role, who);
  }

  @Post("invitations/join")
  @HttpCode(200)
  @OpenToAll()
  @UseGuards(ThrottlerGuard)
  @ApiOperation({ summary: "Make the account that somebody was invited to" })
  async join(
    @Body() { code, name, password }: JoinDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<MeReply> {
    return this.begin(await this.people.join(code, name, password), request, response);
  }

  @Delete("invitations/:invitation")
  @Needs("manage")
  @ApiOperation({ summary: "Take an invitation back" })
  async withdraw(@Param("invitation", ParseIntPipe) invitation: number): Promise<PeopleReply> {
    await this.people.withdraw(invitation);
    return this.people.all();
  }

  /** Gives a browser what it carries from now on: no script can read it, and no foreign page can have it sent. */
  private begin({ person, token }: SignedIn, request: Request, response: Response): MeReply {
    response.cookie(COOKIE, token, { httpOnly: true, sameSite: "strict", secure: request.secure, maxAge: SESSION, path: "/" });
    return this.told(person);
  }

  private told(person: Person | null): MeReply {
    const { fingerprint } = this.certificate;
    return { person, accounts: this.people.hasAccounts, fingerprint, addresses: fingerprint === null ? [] : reachedAt(this.settings) };
  }
}
