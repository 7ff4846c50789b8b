import { Body, Controller, Get, Header, HttpCode, Param, ParseIntPipe, Post, Query, StreamableFile } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import { parseShow, serializeShow } from "@zm/core";
import type { EditNews } from "./openShow.ts";
import { EditsDto } from "./shows.dto.ts";
import { type ShowEntry, ShowsService } from "./shows.service.ts";

/** What a show document is sent as. */
export const SHOW_TYPE = "application/vnd.zealous-mark.show+json";

@ApiTags("shows")
@Controller("api/shows")
export class ShowsController {
  constructor(private readonly shows: ShowsService) {}

  @Get()
  @ApiOperation({ summary: "All shows that are stored" })
  list(): Promise<ShowEntry[]> {
    return this.shows.list();
  }

  @Post()
  @ApiOperation({ summary: "Import a show document as a new show; every fault is named and then nothing is stored" })
  @ApiConsumes(SHOW_TYPE)
  @ApiBody({ schema: { type: "object" } })
  async add(@Body() text: unknown): Promise<{ id: number }> {
    return { id: await this.shows.add(parseShow(typeof text === "string" ? text : "")) };
  }

  @Get(":id")
  @ApiOperation({ summary: "The open document and its revision, for a window that opens" })
  async get(@Param("id", ParseIntPipe) id: number): Promise<object> {
    const show = await this.shows.show(id);
    return { revision: show.revision, show: show.sheet.show, ...(await this.shows.ends(show)) };
  }

  @Get(":id/document")
  @ApiOperation({ summary: "Export: the open document as a file" })
  @Header("Cache-Control", "no-store")
  async document(@Param("id", ParseIntPipe) id: number): Promise<StreamableFile> {
    const { sheet } = await this.shows.show(id);
    const name =
      sheet.show.title
        .normalize("NFKD")
        .replace(/[^A-Za-z0-9]+/g, "-")
        .replace(/^-|-$/g, "") || "show";
    return new StreamableFile(Buffer.from(serializeShow(sheet.show)), {
      type: "application/json",
      disposition: `attachment; filename="${name}.json"`,
    });
  }

  @Get(":id/edits")
  @ApiOperation({ summary: "The edits after a revision, for a window that is behind" })
  edits(@Param("id", ParseIntPipe) id: number, @Query("after", ParseIntPipe) after: number): Promise<EditNews[]> {
    return this.shows.newsAfter(id, after);
  }

  @Post(":id/edits")
  @HttpCode(200)
  @ApiOperation({ summary: "Make edits, all or none" })
  edit(@Param("id", ParseIntPipe) id: number, @Body() body: EditsDto): Promise<EditNews> {
    return this.shows.edit(id, body.base, body.edits);
  }

  @Post(":id/undo")
  @HttpCode(200)
  @ApiOperation({ summary: "Take back the newest edit that stands" })
  undo(@Param("id", ParseIntPipe) id: number): Promise<EditNews> {
    return this.shows.undo(id);
  }

  @Post(":id/redo")
  @HttpCode(200)
  @ApiOperation({ summary: "Make again what was taken back last" })
  redo(@Param("id", ParseIntPipe) id: number): Promise<EditNews> {
    return this.shows.redo(id);
  }
}
