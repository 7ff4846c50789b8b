import { Body, ConflictException, Controller, Delete, Get, HttpCode, Param, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { ServerInfo, ServersReply } from "@zm/protocol";
import { Lease } from "../lease/lease.ts";
import { Needs } from "../people/person.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { FollowingService } from "./following.service.ts";
import { HandOverDto } from "./servers.dto.ts";
import { SparesService } from "./spares.service.ts";

/** A server that has not been seen for so long is silent; seconds. */
const SILENT = 15;
/** The answer leaves before the server that has led ends; milliseconds. */
const ENDING = 700;

/** The servers of these shows: which one leads, and which ones stand ready. */
@ApiTags("servers")
@Controller("api/servers")
export class ServersController {
  constructor(
    private readonly lease: Lease,
    private readonly spares: SparesService,
    private readonly following: FollowingService,
  ) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "The servers of these shows, and what each of them does" })
  all(): ServersReply {
    const { place, term, members } = this.lease;
    const others = members.filter(({ id }) => id !== place.id);
    return {
      own: place.id,
      term,
      servers: [
        { id: place.id, address: place.address, state: this.ownState() },
        ...others.map(({ id, address, silent }) => ({ id, address, state: this.stateOf(id, silent) })),
      ],
    };
  }

  @Post("hand-over")
  @HttpCode(200)
  @Needs("run")
  @ApiOperation({ summary: "Hand the lead to a spare that is ready, without a frame missed; this server follows it then" })
  async handOver(@Body() { to }: HandOverDto): Promise<ServersReply> {
    const { id } = await this.spares.handOver(to);
    const reply = this.all();
    // A server that has led begins anew as one that follows; nothing of its memory counts any more.
    setTimeout(() => this.lease.lost.next(true), ENDING).unref();
    return {
      ...reply,
      servers: reply.servers.map((server) => ({
        ...server,
        state: server.id === id ? "leads" : server.state === "leads" ? "follows" : server.state,
      })),
    };
  }

  @Post("take-over")
  @HttpCode(200)
  @Needs("run")
  @ApiOperation({ summary: "Take the lead although the leader is silent and this server may not know all that it has run" })
  async takeOver(): Promise<ServersReply> {
    if (this.lease.role.value !== "follows")
      throw new ConflictException("This server does not follow another, so there is nothing to take over");
    try {
      await this.lease.takeByHand();
    } catch (error) {
      throw new ConflictException(errorMessage(error));
    }
    return this.all();
  }

  @Delete(":server")
  @Needs("manage")
  @ApiOperation({ summary: "Forget a server that is no more" })
  async forget(@Param("server") server: string): Promise<ServersReply> {
    const known = this.all().servers.find(({ id }) => id === server);
    if (!known || known.state !== "silent") throw new ConflictException("Only a server that is silent is forgotten");
    await this.lease.forget(server);
    return this.all();
  }

  private ownState(): ServerInfo["state"] {
    const role = this.lease.role.value;
    return role === "follows" && this.following.isUpToDate ? "ready" : role;
  }

  private stateOf(id: string, silent: number): ServerInfo["state"] {
    const { leader, leads, spareIds } = this.lease;
    if (leads && this.spares.ready.some((spare) => spare.id === id)) return "ready";
    if (!leads && leader?.id === id) return this.lease.isLeaderSilent ? "silent" : "leads";
    if (!leads && spareIds.includes(id)) return "ready";
    return silent > SILENT ? "silent" : "follows";
  }
}
