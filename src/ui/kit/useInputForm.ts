'use client';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import type { Problem } from '../../core/outcome';

/** A form that is checked by the very class its input is checked by once it is sent. */
export function useInputForm<T extends FieldValues & object>(schema: new () => T, defaultValues: DefaultValues<T>): UseFormReturn<T> {
  return useForm<T>({
    resolver: classValidatorResolver(schema, { validator: { stopAtFirstError: true } }, { mode: 'sync', raw: true }) as never,
    defaultValues,
    mode: 'onTouched',
  });
}

/** Puts problems the server found at their fields; returns those that belong to none. */
export function showProblems<T extends FieldValues>(form: UseFormReturn<T>, problems: Problem[]): Problem[] {
  return problems.filter((problem) => {
    if (!problem.path) return true;
    form.setError(problem.path as Path<T>, { type: 'server', message: problem.message });
    return false;
  });
}
