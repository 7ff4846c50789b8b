import { existsSync } from "node:fs";
import type { IncomingMessage } from "node:http";
import { join } from "node:path";
import { NestFactory } from "@nestjs/core";
import type { NestExpressApplication } from "@nestjs/platform-express";
import { DocumentBuilder, SwaggerModule } from "@nestjs/swagger";
import type { NextFunction, Request, Response } from "express";
import helmet from "helmet";
import { SHOW_TYPE } from "@zm/protocol";
import type { DataSource } from "typeorm";
import { AppModule } from "./app.module.ts";
import { Certificate } from "./door/certificate.ts";
import type { Settings } from "./settings.ts";
import { PassOn } from "./spare/passOn.ts";
import { ErrorFilter } from "./shared/errorFilter.ts";
import { PinoLogger, makeLog, requestLog } from "./shared/pinoLogger.ts";
import { guard, writersOnly } from "./door/guard.ts";
import type { Lease } from "./lease/lease.ts";
import { BodyPipe } from "./shared/bodyPipe.ts";
import { TimeLimit } from "./shared/timeLimit.ts";
import { ShowsService } from "./shows/shows.service.ts";

/** True for a request that brings edits. */
function holdsEdits(request: IncomingMessage): boolean {
  return request.headers["content-type"]?.startsWith("application/json") === true && /^\/api\/shows\/\d+\/edits$/.test(request.url ?? "");
}

/** Builds the application: REST, live events, the OpenAPI page and the built web page, all on one port. */
export async function createApp(database: DataSource, settings: Settings, lock: Lease): Promise<NestExpressApplication> {
  const certificate = await Certificate.of(settings);
  const log = makeLog(settings);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.over(database, settings, lock, certificate), {
    logger: new PinoLogger(log),
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          "upgrade-insecure-requests": null,
          "script-src": ["'self'"],
          // A spreadsheet is packed in threads that its packer makes of its own text.
          "worker-src": ["'self'", "blob:"],
          "style-src": ["'self'", "'unsafe-inline'"],
          // Where the server falls silent, its page goes on with another one of its shows, which may have come later than the page.
          "connect-src": ["'self'", "ws:", "wss:", "http:", "https:"],
          "img-src": ["'self'", "data:", "blob:"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(requestLog(log));
  const passOn = app.get(PassOn);
  app.use(guard(SHOW_TYPE, passOn.others));
  app.use(passOn.take);
  app.use(writersOnly(lock));
  // A show that is imported is streamed into a file; a list that is brought into one comes as an edit; everything else is small. What is packed counts as it
  // is unpacked.
  app.useBodyParser("json", { limit: "8mb", type: holdsEdits });
  app.useBodyParser("json", { limit: "1mb" });
  app.useGlobalInterceptors(new TimeLimit());
  app.useGlobalPipes(new BodyPipe());
  app.useGlobalFilters(new ErrorFilter());
  const description = new DocumentBuilder()
    .setTitle("Zealous Mark")
    .setDescription("A show, its edits and its run")
    .setVersion("1")
    .build();
  SwaggerModule.setup("api", app, SwaggerModule.createDocument(app, description));
  servePages(app, settings.pages);
  return app;
}

function servePages(app: NestExpressApplication, pages: string): void {
  const index = join(pages, "index.html");
  if (!existsSync(index)) return;
  app.useStaticAssets(pages, {
    index: false,
    setHeaders: (response: Response, path: string) =>
      void response.setHeader("Cache-Control", path.includes("/assets/") ? "public, max-age=31536000, immutable" : "no-cache"),
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    const isRead = request.method === "GET" || request.method === "HEAD";
    const isPage = isRead && !/^\/(api|socket\.io)(\/|$)/.test(request.path) && !/\.[a-z0-9]+$/i.test(request.path);
    if (!isPage) return next();
    openAhead(app, request.path);
    response.setHeader("Cache-Control", "no-cache").sendFile(index);
  });
}

/** A window that asks for the page of a show will ask for the show next: opening it begins while the page loads. */
function openAhead(app: NestExpressApplication, path: string): void {
  const [, id] = /^\/show\/(\d{1,9})(?:\/|$)/.exec(path) ?? [];
  if (id === undefined) return;
  // The window's own question is told what is wrong.
  app
    .get(ShowsService)
    .show(Number(id))
    .catch(() => undefined);
}
