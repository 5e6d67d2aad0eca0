'use client';
import { useEffect } from 'react';
import { useForm, type DefaultValues, type FieldValues, type Path, type Resolver, type UseFormReturn } from 'react-hook-form';
import type { Problem } from '../../core/outcome';
import type { InputNameOf } from './inputResolver';

const loadResolver = () => import('./inputResolver');

/** A form that is checked by the very class its input is checked by once it is sent. */
export function useInputForm<T extends FieldValues & object>(name: InputNameOf<T>, defaultValues: DefaultValues<T>): UseFormReturn<T> {
  useEffect(() => void loadResolver(), []);
  const resolver: Resolver<T> = async (...typed) => {
    const { inputResolver } = await loadResolver();
    return (inputResolver(name) as unknown as Resolver<T>)(...typed);
  };
  return useForm<T>({ resolver, defaultValues, mode: 'onTouched' });
}

/** Puts problems the server found at their fields; returns those that belong to none. */
export function showProblems<T extends FieldValues>(form: UseFormReturn<T>, problems: Problem[]): Problem[] {
  return problems.filter((problem) => {
    if (!problem.path) return true;
    form.setError(problem.path as Path<T>, { type: 'server', message: problem.message });
    return false;
  });
}
