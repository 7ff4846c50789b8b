import { Injectable } from "@nestjs/common";
import { type OnGatewayConnection, WebSocketGateway } from "@nestjs/websockets";
import type { Socket } from "socket.io";
import { Lease } from "../lease/lease.ts";
import { sameSecret } from "../people/tokens.ts";
import { SPARE_LINE, caller } from "./messages.ts";
import { SparesService } from "./spares.service.ts";

/** The door for spares: servers of the same shows, which know each other by a secret in the database. */
@Injectable()
@WebSocketGateway({ namespace: SPARE_LINE })
export class SpareGateway implements OnGatewayConnection {
  constructor(
    private readonly lease: Lease,
    private readonly spares: SparesService,
  ) {}

  handleConnection(socket: Socket): void {
    const parsed = caller.safeParse(socket.handshake.auth);
    const isOwn = parsed.success && this.lease.secret !== "" && sameSecret(parsed.data.secret, this.lease.secret);
    if (!isOwn || !this.lease.leads || parsed.data.id === this.lease.place.id) socket.disconnect(true);
    else void this.spares.attach(socket, parsed.data);
  }
}
