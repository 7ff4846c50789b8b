/**
 * Something the user asked for, or a file they brought, that cannot be taken as it is.
 * The message names the thing, its place and what to do; nothing has been changed when it is thrown.
 * `faults` holds every fault that was found, one sentence each; `message` joins them.
 * It is the only error that the core throws for what a user did: any other is a fault of the program.
 * Servers answer it as a refusal, the command line prints it to standard error.
 */
export class ShowError extends Error {
  override readonly name = "ShowError";
  /** Every fault found, one sentence each; `message` joins them. */
  readonly faults: readonly string[];

  constructor(faults: string | readonly string[]) {
    const all = typeof faults === "string" ? [faults] : faults;
    super(all.join("\n"));
    this.faults = all;
  }

  /** The first fault, for a place that has room for one. */
  get firstFault(): string {
    return this.faults[0] ?? this.message;
  }
}
