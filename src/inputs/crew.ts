import { IsIn, IsString, MaxLength } from 'class-validator';
import { JOINING_ROLES, ROLES, type JoiningRole, type Role } from '../core/access';
import { Maybe } from './parts';
import { Id, Name } from './rules';

export class OpenYardInput {
  @IsIn([...JOINING_ROLES], { message: 'Choose what they may do.' }) joinsAs!: JoiningRole;
}

export class MemberInput {
  @Id() id!: string;
}

export class MemberRoleInput {
  @Id() id!: string;
  @IsIn([...ROLES], { message: 'Choose what they may do.' }) role!: Role;
}

/** With the code alone, to see whose names there are; with a name, to be in. */
export class JoinInput {
  @IsString({ message: 'Type the code.' }) @MaxLength(40, { message: 'The code is shorter.' }) code!: string;
  @Maybe() @Name('Your name', 60) name?: string;
}
