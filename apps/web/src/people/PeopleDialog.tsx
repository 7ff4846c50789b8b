import { useQuery } from "@tanstack/react-query";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { meQuery } from "../show/me.ts";
import { AccountList } from "./AccountList.tsx";
import { FirstAccount } from "./FirstAccount.tsx";
import { HereNow } from "./HereNow.tsx";
import { Invitations } from "./Invitations.tsx";
import { OwnPassword } from "./OwnPassword.tsx";
import { Servers } from "./Servers.tsx";
import { ServerDoor } from "./ServerDoor.tsx";

/** Who may in: accounts, invitations, one's own password, and how the server is reached. */
export function PeopleDialog({ onClose }: { onClose: () => void }) {
  const { data: me } = useQuery(meQuery);
  return (
    <Modal label="People" onClose={onClose} className="w-[62rem]">
      <div className="flex h-[600px] flex-col gap-4 p-6">
        <ModalHead name="People" />
        {me && !me.accounts && (
          <div className="grid min-h-0 flex-1 grid-cols-[1fr_22rem] gap-8 overflow-y-auto">
            <FirstAccount />
            <div className="flex min-w-0 flex-col gap-6">
              <HereNow />
              <Servers />
            </div>
          </div>
        )}
        {me?.accounts && (
          <div className="grid min-h-0 flex-1 grid-cols-[1fr_22rem] gap-8 overflow-y-auto">
            <div className="flex min-w-0 flex-col gap-6">
              <HereNow />
              <AccountList />
              <OwnPassword />
            </div>
            <div className="flex min-w-0 flex-col gap-6">
              <Invitations />
              <Servers />
            </div>
          </div>
        )}
        {me && <ServerDoor me={me} />}
      </div>
    </Modal>
  );
}
