import type { Teacher } from '@gobrel/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, type ReactElement } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { forgetSocket } from '../sync/pageSocket';
import { forgetKept } from '../sync/kept';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Mark } from '../ui/Page';

interface Form {
  email: string;
  password: string;
  name: string;
}

export default function SignInPage(): ReactElement {
  const [isNew, setIsNew] = useState(false);
  const [trouble, setTrouble] = useState('');
  const { register, handleSubmit, formState, watch } = useForm<Form>();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  // Whoever was here before may have left this page before all of it was put away.
  useEffect(() => void forgetKept(), []);

  const submit = handleSubmit(async ({ email, password, name }) => {
    setTrouble('');
    try {
      const teacher = isNew
        ? await http.post<Teacher>('accounts', { email, password, name })
        : await http.post<Teacher>('session', { email, password });
      forgetSocket();
      queries.clear();
      queries.setQueryData(['session'], teacher);
      const next = search.get('next') ?? '/';
      await navigate(next.startsWith('/') && !next.startsWith('//') ? next : '/');
    } catch (error) {
      setTrouble(sentenceOf(error));
    }
  });

  return (
    <main className="grid min-h-full place-items-center p-6">
      <form onSubmit={(event) => void submit(event)} className="w-full max-w-[380px]" noValidate>
        <div className="mb-6 flex items-center gap-3">
          <Mark size={40} />
          <div>
            <h1 className="text-[30px]">Gobrel</h1>
            <p className="text-soft">Decks with more than one way through.</p>
          </div>
        </div>
        <div className="flex flex-col gap-4">
          {isNew && (
            <Field
              label="Your name"
              autoComplete="name"
              error={formState.errors.name?.message}
              {...register('name', { required: isNew ? 'Type your name.' : false })}
            />
          )}
          <Field
            label="E-mail"
            type="email"
            autoComplete="username"
            error={formState.errors.email?.message}
            {...register('email', { required: 'Type your e-mail address.' })}
          />
          <Field
            label="Password"
            type="password"
            autoComplete={isNew ? 'new-password' : 'current-password'}
            hint={isNew ? 'At least 10 characters.' : undefined}
            error={formState.errors.password?.message}
            {...register('password', { required: 'Type your password.' })}
          />
          {trouble && (
            <p
              role="alert"
              className="rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-ember-deep"
            >
              {trouble}
            </p>
          )}
          <Button type="submit" look="main" size="large" disabled={formState.isSubmitting}>
            {isNew ? 'Make an account' : 'Sign in'}
          </Button>
          <div className="flex justify-between text-[14px]">
            <button
              type="button"
              className="inline-flex min-h-8 items-center text-petrol underline underline-offset-4"
              onClick={() => setIsNew(!isNew)}
            >
              {isNew ? 'I have an account' : 'Make an account'}
            </button>
            {!isNew && (
              <Link
                to="/password"
                state={{ email: watch('email') }}
                className="inline-flex min-h-8 items-center text-petrol underline underline-offset-4"
              >
                Forgotten it?
              </Link>
            )}
            <Link
              to="/join"
              className="inline-flex min-h-8 items-center text-petrol underline underline-offset-4"
            >
              Join a lesson
            </Link>
          </div>
        </div>
      </form>
    </main>
  );
}
