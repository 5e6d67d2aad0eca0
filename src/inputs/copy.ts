import { Matches } from 'class-validator';

/** One of the copies that are listed. */
export class CopyInput {
  @Matches(/^[a-z]+(-[a-z]+)?-\d{4}-\d\d-\d\dT\d{6}\.sqlite$/, { message: 'Choose a copy.' }) name!: string;
}
