import type { MeReply } from "@zm/protocol";

/** How the server is reached: from this machine alone, or from others, with what they compare to know that it is this one. */
export function ServerDoor({ me: { fingerprint, addresses } }: { me: MeReply }) {
  if (fingerprint === null)
    return (
      <p className="border-t border-rule pt-3 text-[13px] text-quiet">
        This server is reached from this machine alone. To let other machines in, stop it and start it with an address of this machine:
        ZM_HOST=0.0.0.0 ./start
      </p>
    );
  return (
    <div className="border-t border-rule pt-3 text-[13px]">
      <p>
        Other machines find it at <span className="font-mono">{addresses.join(", ")}</span>
      </p>
      <p className="text-quiet">
        Their browsers ask once whether they trust it; compare the fingerprint:{" "}
        <span className="font-mono break-all text-base-content">{fingerprint}</span>
      </p>
    </div>
  );
}
