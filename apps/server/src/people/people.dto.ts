import { ApiProperty } from "@nestjs/swagger";
import {
  type AccountRequest,
  type JoinRequest,
  LONGEST_NAME,
  LONGEST_PASSWORD,
  type PasswordRequest,
  ROLES,
  type Role,
  type RoleRequest,
  type SignInRequest,
} from "@zm/protocol";
import { IsIn, IsString, MaxLength } from "class-validator";

const ROLE_FAULT = `role is one of ${ROLES.join(", ")}`;

/** A role to be given. */
export class RoleDto implements RoleRequest {
  @ApiProperty({ enum: ROLES })
  @IsIn(ROLES, { message: ROLE_FAULT })
  role: Role;
}

/** A name and a password. */
export class SignInDto implements SignInRequest {
  @ApiProperty()
  @IsString()
  @MaxLength(LONGEST_NAME)
  name: string;

  @ApiProperty()
  @IsString()
  @MaxLength(LONGEST_PASSWORD)
  password: string;
}

/** An account to be made. */
export class AccountDto extends SignInDto implements AccountRequest {
  @ApiProperty({ enum: ROLES })
  @IsIn(ROLES, { message: ROLE_FAULT })
  role: Role;
}

/** The answer to an invitation. */
export class JoinDto extends SignInDto implements JoinRequest {
  @ApiProperty({ example: "K7QM-2XPD" })
  @IsString()
  @MaxLength(20)
  code: string;
}

/** The password somebody has, and the one they want. */
export class PasswordDto implements PasswordRequest {
  @ApiProperty()
  @IsString()
  @MaxLength(LONGEST_PASSWORD)
  password: string;

  @ApiProperty()
  @IsString()
  @MaxLength(LONGEST_PASSWORD)
  next: string;
}
