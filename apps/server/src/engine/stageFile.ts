import { join } from "node:path";
import { z } from "zod";
import { type DamagedFile, SoundFile } from "../shared/soundFile.ts";

/** Which show is on stage; null: none. */
interface OnStage {
  readonly show: number | null;
}

const onStage = z.object({ show: z.number().int().nullable() });

/** Which show is on stage, in a file of its own, so that the same one stands there after a crash. */
export class StageFile {
  /** The show on stage; null where none is. */
  show: number | null = null;
  /** What could not be read. */
  readonly damaged: readonly DamagedFile[];
  /** False where nobody has ever said which show is on stage. */
  readonly isKnown: boolean;
  private readonly file: SoundFile<OnStage>;

  constructor(folder: string) {
    this.file = new SoundFile(join(folder, "stage"), (raw) => {
      const parsed = onStage.safeParse(raw);
      if (!parsed.success) throw new Error("it does not say which show is on stage");
      return parsed.data;
    });
    const { data, damaged } = this.file.read();
    this.show = data?.show ?? null;
    this.damaged = damaged;
    this.isKnown = data !== undefined || damaged.length > 0;
  }

  /** Puts a show on stage, and keeps that. What goes wrong with the disk comes through; it is on stage all the same. */
  async put(show: number | null): Promise<void> {
    this.show = show;
    await this.file.write({ show });
  }
}
