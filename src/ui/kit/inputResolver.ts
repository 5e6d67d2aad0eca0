import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import * as inputs from '../../inputs';

type Inputs = typeof inputs;
export type InputName = { [K in keyof Inputs]: Inputs[K] extends new () => object ? K : never }[keyof Inputs];
/** The name of the input class whose values a form holds. */
export type InputNameOf<T> = {
  [K in InputName]: [T, InstanceType<Inputs[K]>] extends [InstanceType<Inputs[K]>, T] ? K : never;
}[InputName];

/** The resolver of one of the input classes. Loaded when a form is filled in: the classes and their checks are heavy. */
export const inputResolver = (name: InputName) =>
  classValidatorResolver(inputs[name] as new () => object, { validator: { stopAtFirstError: true } }, { mode: 'sync', raw: true });
