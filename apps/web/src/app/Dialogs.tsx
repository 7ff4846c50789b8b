import { Suspense } from "react";
import { useDialogs } from "../shared/dialogs.ts";
import {
  BackupsDialog,
  BringDialog,
  FindDialog,
  KeysDialog,
  LookValuesDialog,
  NumbersDialog,
  PeopleDialog,
  SendDialog,
  StandbyDialog,
  StepsDialog,
  TakeDialog,
} from "./parts.ts";

/** The dialogs that are open over any view, of the show with this id. */
export function Dialogs({ show }: { show: number }) {
  const { help, search, numbers, take, steps, standby, lookValues, bring, send, backups, people } = useDialogs();
  return (
    <Suspense fallback={null}>
      {help !== null && <KeysDialog words={help} onClose={() => useDialogs.setState({ help: null })} />}
      {search !== null && <FindDialog words={search} onClose={() => useDialogs.setState({ search: null })} />}
      {numbers && <NumbersDialog cues={numbers} onClose={() => useDialogs.setState({ numbers: null })} />}
      {steps !== null && <StepsDialog list={steps} onClose={() => useDialogs.setState({ steps: null })} />}
      {standby && <StandbyDialog onClose={() => useDialogs.setState({ standby: false })} />}
      {lookValues !== null && <LookValuesDialog look={lookValues} onClose={() => useDialogs.setState({ lookValues: null })} />}
      {bring && <BringDialog files={bring} show={show} onClose={() => useDialogs.setState({ bring: null })} />}
      {backups && <BackupsDialog onClose={() => useDialogs.setState({ backups: false })} />}
      {people && <PeopleDialog onClose={() => useDialogs.setState({ people: false })} />}
      {send && <SendDialog onClose={() => useDialogs.setState({ send: false })} />}
      {take && <TakeDialog wanted={take} onClose={() => useDialogs.setState({ take: null })} />}
    </Suspense>
  );
}
