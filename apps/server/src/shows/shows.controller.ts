import { Readable } from "node:stream";
import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  Headers,
  HttpCode,
  NotFoundException,
  Param,
  ParseIntPipe,
  Patch,
  Post,
  Query,
  Req,
  StreamableFile,
  UnsupportedMediaTypeException,
} from "@nestjs/common";
import type { Request } from "express";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import {
  type EditEvent,
  type HistoryState,
  type ImportReply,
  type ImportState,
  type RemoveReply,
  SHOW_TYPE,
  type ShowSummary,
  type StoredReply,
} from "@zm/protocol";
import { type Show, compactPieces, serializedPieces, fileName } from "@zm/core";
import { authorOf } from "../shared/author.ts";
import { textInSlices } from "../shared/slices.ts";
import { TakesItsTime } from "../shared/timeLimit.ts";
import { ImportFile } from "./importFile.ts";
import { Imports } from "./imports.ts";
import { EditsDto, TitleDto } from "./shows.dto.ts";
import { ShowsService } from "./shows.service.ts";
import { Needs, Who } from "../people/person.ts";
import type { Person } from "@zm/protocol";
import { expectMayEdit } from "../people/allowed.ts";

@ApiTags("shows")
@Controller("api/shows")
export class ShowsController {
  constructor(
    private readonly shows: ShowsService,
    private readonly imports: Imports,
    private readonly files: ImportFile,
  ) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "All shows that are stored" })
  list(): Promise<ShowSummary[]> {
    return this.shows.list();
  }

  @Post()
  @Needs("edit")
  @ApiOperation({ summary: "Import a show document as a new show; every fault is named and then nothing is stored" })
  @ApiConsumes(SHOW_TYPE)
  @ApiBody({ schema: { type: "object" } })
  @TakesItsTime()
  async add(@Req() request: Request, @Headers("x-import") name?: string): Promise<ImportReply> {
    if (!request.is(SHOW_TYPE)) throw new UnsupportedMediaTypeException(`A show document is sent as ${SHOW_TYPE}`);
    this.imports.set(name, { stage: "reading", stored: 0, all: 0 });
    try {
      const progress = (stored: number, all: number): void => this.imports.set(name, { stage: "storing", stored, all });
      return { id: await this.files.receive(request, (path) => this.shows.add(path, progress)) };
    } finally {
      this.imports.set(name, { stage: "over", stored: 0, all: 0 });
    }
  }

  @Get("imports/:name")
  @Needs("see")
  @ApiOperation({ summary: "How far an import is, by the name that its X-Import header gave it" })
  progress(@Param("name") name: string): ImportState {
    const state = this.imports.get(name);
    if (!state) throw new NotFoundException("No import of this name is known");
    return state;
  }

  @Patch(":id")
  @Needs("edit")
  @ApiOperation({ summary: "Give the show another title; an edit that can be taken back" })
  rename(@Param("id", ParseIntPipe) id: number, @Body() body: TitleDto, @Who() who: Person): Promise<EditEvent> {
    return this.shows.rename(id, body.title, authorOf(body, who));
  }

  @Delete(":id")
  @Needs("edit")
  @HttpCode(200)
  @ApiOperation({ summary: "Remove the show with its whole history; its title has to be given" })
  async remove(@Param("id", ParseIntPipe) id: number, @Body() { title }: TitleDto): Promise<RemoveReply> {
    await this.shows.remove(id, title);
    return { removed: id };
  }

  @Get(":id")
  @Needs("see")
  @ApiOperation({ summary: "The open document and its revision, for a window that opens" })
  async get(@Param("id", ParseIntPipe) id: number): Promise<StreamableFile> {
    const { revision, sheet, history } = await this.shows.show(id);
    return new StreamableFile(Readable.from(textInSlices(openPieces(revision, history.state(), sheet.show))), { type: "application/json" });
  }

  @Get(":id/document")
  @Needs("see")
  @ApiOperation({ summary: "Export: the open document as a file" })
  @Header("Cache-Control", "no-store")
  async document(@Param("id", ParseIntPipe) id: number): Promise<StreamableFile> {
    const { sheet } = await this.shows.show(id);
    return new StreamableFile(Readable.from(textInSlices(serializedPieces(sheet.show))), {
      type: "application/json",
      disposition: `attachment; filename="${fileName(sheet.show.title)}.json"`,
    });
  }

  @Get(":id/edits")
  @Needs("see")
  @ApiOperation({ summary: "The edits after a revision, for a window that is behind" })
  edits(@Param("id", ParseIntPipe) id: number, @Query("after", ParseIntPipe) after: number): Promise<EditEvent[]> {
    return this.shows.editsAfter(id, after);
  }

  @Get(":id/requests/:request")
  @Needs("see")
  @ApiOperation({ summary: "Whether a request of this name was stored, for a window whose question was not answered" })
  async isStored(@Param("id", ParseIntPipe) id: number, @Param("request") request: string): Promise<StoredReply> {
    return { stored: await this.shows.isStored(id, request) };
  }

  @Post(":id/edits")
  @Needs("see")
  @HttpCode(200)
  @ApiOperation({ summary: "Make edits, all or none" })
  edit(@Param("id", ParseIntPipe) id: number, @Body() body: EditsDto, @Who() who: Person): Promise<EditEvent> {
    expectMayEdit(who, body.edits);
    return this.shows.edit(id, body.base, body.edits, authorOf(body, who));
  }
}

/** What a window opens a show with, piece by piece. */
function* openPieces(revision: number, history: HistoryState, show: Show): Generator<string> {
  yield `{"revision":${revision},"history":${JSON.stringify(history)},"show":`;
  yield* compactPieces(show);
  yield "}";
}
