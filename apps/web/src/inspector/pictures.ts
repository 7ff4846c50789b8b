import { lazyPart } from "../shared/lazyPart.ts";

export const ChainPicture = lazyPart(async () => (await import("./ChainPicture.tsx")).ChainPicture);
export const TimesPicture = lazyPart(async () => (await import("./TimesPicture.tsx")).TimesPicture);
