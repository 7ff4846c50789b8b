import { LONGEST_NAME, LONGEST_PASSWORD, PASSWORD_FAULT, SHORTEST_PASSWORD } from "@zm/protocol";
import type { UseFormRegisterReturn } from "react-hook-form";
import { DoorField } from "./DoorField.tsx";

interface NewPersonFieldsProps {
  name: UseFormRegisterReturn;
  password: UseFormRegisterReturn;
  autoFocus?: boolean;
}

/** What somebody says who gets an account: how they are called, and the password that they choose. */
export function NewPersonFields({ name, password, autoFocus = false }: NewPersonFieldsProps) {
  return (
    <>
      <DoorField label="Your name, as others see it" autoFocus={autoFocus} autoComplete="username" maxLength={LONGEST_NAME} {...name} />
      <DoorField
        label={`A password, ${SHORTEST_PASSWORD} characters or more`}
        type="password"
        autoComplete="new-password"
        minLength={SHORTEST_PASSWORD}
        maxLength={LONGEST_PASSWORD}
        title={PASSWORD_FAULT}
        {...password}
      />
    </>
  );
}
