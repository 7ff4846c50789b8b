import { Injectable } from "@nestjs/common";
import type { Trouble } from "@zm/protocol";
import { BehaviorSubject } from "rxjs";

/** What is wrong with the server for as long as it is, for every window: an output that is off, a disk that is full, a file that was damaged. */
@Injectable()
export class Troubles {
  /** All of it, the oldest first. */
  readonly all = new BehaviorSubject<readonly Trouble[]>([]);

  /** Something is wrong, in words; null: it is over. */
  set(id: string, words: string | null): void {
    const others = this.all.value.filter((trouble) => trouble.id !== id);
    if (words === null && others.length === this.all.value.length) return;
    this.all.next(words === null ? others : [...others, { id, words }]);
  }

  /** All whose id is meant are over. */
  clear(isMeant: (id: string) => boolean): void {
    const left = this.all.value.filter(({ id }) => !isMeant(id));
    if (left.length < this.all.value.length) this.all.next(left);
  }
}
