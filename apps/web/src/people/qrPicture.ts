import { toDataURL } from "qrcode";

/** A text as a picture that a camera reads: dark on light in every theme, since cameras want it so. */
export function qrPicture(text: string): Promise<string> {
  return toDataURL(text, { margin: 2, width: 288, errorCorrectionLevel: "M" });
}
