import type { Device, Teacher } from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Bowser from 'bowser';
import type { ReactElement } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange } from '../api/teacher';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { Badge, Header, Main } from '../ui/Page';
import { RequireTeacher } from '../ui/RequireTeacher';
import { whenAt } from '../ui/when';

/** Somebody's own account: name, password, and the devices on which it is signed in. */
export default function AccountPage(): ReactElement {
  return <RequireTeacher>{(teacher) => <Account teacher={teacher} />}</RequireTeacher>;
}

function Account({ teacher }: { teacher: Teacher }): ReactElement {
  return (
    <div className="flex h-full flex-col">
      <Header
        left={<h1 className="text-[19px]">Your account</h1>}
        right={
          <Link to="/" className="inline-flex min-h-8 items-center text-[14px] hover:text-petrol">
            Decks
          </Link>
        }
      />
      <Main className="min-h-0 flex-1 overflow-y-auto">
        <div className="mx-auto flex max-w-[640px] flex-col gap-8 p-6">
          <Name teacher={teacher} />
          <Password />
          <Devices />
        </div>
      </Main>
    </div>
  );
}

function Name({ teacher }: { teacher: Teacher }): ReactElement {
  const { tell, trouble } = useNotices();
  const { register, handleSubmit, formState, reset } = useForm({
    defaultValues: { name: teacher.name },
  });
  const change = useChange((name: string) => http.patch('account', { name }), ['session']);
  const submit = handleSubmit(({ name }) =>
    change.mutateAsync(name).then(
      () => {
        reset({ name });
        tell('Your name is changed, for everybody who works with you.');
      },
      (error: unknown) => trouble(sentenceOf(error)),
    ),
  );
  return (
    <section aria-label="Who you are">
      <form onSubmit={(event) => void submit(event)} noValidate className="flex items-end gap-2">
        <Field
          label="Your name"
          autoComplete="name"
          className="flex-1"
          error={formState.errors.name?.message}
          {...register('name', { validate: (name) => name.trim() !== '' || 'Type your name.' })}
        />
        <Button type="submit" size="large" disabled={!formState.isDirty || change.isPending}>
          Keep
        </Button>
      </form>
      <p className="mt-2 text-[14px] text-soft">Signed in as {teacher.email}.</p>
    </section>
  );
}

function Password(): ReactElement {
  const { tell } = useNotices();
  const queries = useQueryClient();
  const { register, handleSubmit, formState, reset, setError } = useForm({
    defaultValues: { now: '', password: '' },
  });
  const submit = handleSubmit(async (given) => {
    try {
      await http.post('account/password', given);
      reset();
      void queries.invalidateQueries({ queryKey: ['devices'] });
      tell('The password is changed. Every other device is signed out.');
    } catch (error) {
      setError('root', { message: sentenceOf(error) });
    }
  });
  const { errors, isSubmitting } = formState;
  return (
    <section aria-label="Password">
      <h2 className="text-[19px]">Password</h2>
      <form
        onSubmit={(event) => void submit(event)}
        noValidate
        className="mt-3 flex max-w-[380px] flex-col gap-3"
      >
        <Field
          label="The one that you have now"
          type="password"
          autoComplete="current-password"
          error={errors.now?.message}
          {...register('now', { required: 'Type the password that you have now.' })}
        />
        <Field
          label="A new one"
          type="password"
          autoComplete="new-password"
          hint="At least 10 characters, and none that many have."
          error={errors.password?.message}
          {...register('password', {
            minLength: { value: 10, message: 'A password has at least 10 characters.' },
            required: 'Type a new password.',
          })}
        />
        {errors.root && (
          <p
            role="alert"
            className="rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-ember-deep"
          >
            {errors.root.message}
          </p>
        )}
        <Button type="submit" size="large" className="self-start" disabled={isSubmitting}>
          Change the password
        </Button>
      </form>
    </section>
  );
}

/** What a browser says of itself, in a few words. */
function nameOf(device: string): string {
  if (device === '') return 'A device';
  const { browser, os } = Bowser.parse(device);
  const words = [browser.name, os.name && `on ${os.name}`].filter(Boolean).join(' ');
  return words || 'A device';
}

function Devices(): ReactElement {
  const { tell, trouble } = useNotices();
  const found = useQuery({
    queryKey: ['devices'],
    queryFn: () => http.get<Device[]>('account/devices'),
  });
  const change = useChange(
    (id: string) => http.remove(`account/devices${id && `/${id}`}`),
    ['devices'],
  );
  const signOut = (id: string, said: string): void =>
    change.mutate(id, {
      onSuccess: () => tell(said),
      onError: (error) => trouble(sentenceOf(error)),
    });
  const others = found.data?.filter(({ isThis }) => !isThis) ?? [];
  return (
    <section aria-label="Signed in">
      <h2 className="text-[19px]">Where you are signed in</h2>
      {found.error && <p role="alert">{sentenceOf(found.error)}</p>}
      <ul className="mt-3 flex flex-col divide-y divide-line border-y border-line">
        {found.data?.map(({ id, device, seenAt, since, isThis }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2.5">
            <span className="min-w-0 flex-1">
              <span className="flex items-center gap-2">
                {nameOf(device)} {isThis && <Badge tone="petrol">this one</Badge>}
              </span>
              <span className="block text-[13px] text-soft">
                since {whenAt(since)} · last here {whenAt(seenAt)}
              </span>
            </span>
            {!isThis && (
              <Button
                size="small"
                disabled={change.isPending}
                onClick={() => signOut(id, 'It is signed out.')}
              >
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <Button
          className="mt-3"
          disabled={change.isPending}
          onClick={() => signOut('', 'Every other device is signed out.')}
        >
          Sign out everywhere else
        </Button>
      )}
    </section>
  );
}
