/** How another server of these shows is trusted: by the certificate that it has written down in the database, whatever name it is reached by. */
export function trusting(certificate: string | null): {
  ca?: string[];
  allowPartialTrustChain?: boolean;
  checkServerIdentity?: () => undefined;
} {
  if (certificate === null) return {};
  return { ca: [certificate], allowPartialTrustChain: true, checkServerIdentity: () => undefined };
}
