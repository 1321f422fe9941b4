import { useQuery } from '@tanstack/react-query';
import { useState, type ReactElement } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useLocation, useParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Centre, Mark } from '../ui/Page';

const LINK =
  'inline-flex min-h-8 items-center text-[14px] text-petrol underline underline-offset-4';

/** For whoever has forgotten a password: asks for a letter, and what its address opens makes a new one. */
export default function PasswordPage(): ReactElement {
  const { token } = useParams();
  return token ? <Anew token={token} /> : <Ask />;
}

function Sheet(props: { title: string; children: ReactElement | ReactElement[] }): ReactElement {
  return (
    <main className="grid min-h-full place-items-center p-6">
      <div className="w-full max-w-[380px]">
        <div className="mb-6 flex items-center gap-3">
          <Mark size={40} />
          <h1 className="text-[26px]">{props.title}</h1>
        </div>
        {props.children}
      </div>
    </main>
  );
}

function Trouble({ words }: { words: string | undefined }): ReactElement | null {
  return words === undefined ? null : (
    <p
      role="alert"
      className="rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-ember-deep"
    >
      {words}
    </p>
  );
}

function Ask(): ReactElement {
  const [sentTo, setSentTo] = useState('');
  // What was typed at signing in is not typed again.
  const { state } = useLocation() as { state: { email?: string } | null };
  const { register, handleSubmit, formState, setError } = useForm({
    defaultValues: { email: state?.email ?? '' },
  });
  const submit = handleSubmit(async ({ email }) => {
    try {
      await http.post('password-letters', { email });
      setSentTo(email);
    } catch (error) {
      setError('root', { message: sentenceOf(error) });
    }
  });
  if (sentTo) {
    return (
      <Sheet title="Look into your mail">
        <p className="mb-4">
          If there is an account with <b>{sentTo}</b>, a letter is on its way there. The address in
          it is good once, and for an hour.
        </p>
        <Link to="/sign-in" className={LINK}>
          Back to signing in
        </Link>
      </Sheet>
    );
  }
  return (
    <Sheet title="A new password">
      <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-4">
        <Field
          label="E-mail"
          type="email"
          autoComplete="username"
          hint="A letter comes there, with an address at which you make a new one."
          error={formState.errors.email?.message}
          {...register('email', { required: 'Type your e-mail address.' })}
        />
        <Trouble words={formState.errors.root?.message} />
        <Button type="submit" look="main" size="large" disabled={formState.isSubmitting}>
          Send the letter
        </Button>
        <Link to="/sign-in" className={LINK}>
          Back to signing in
        </Link>
      </form>
    </Sheet>
  );
}

function Anew({ token }: { token: string }): ReactElement {
  const at = `password-letters/${encodeURIComponent(token)}`;
  const [isDone, setIsDone] = useState(false);
  const letter = useQuery({
    queryKey: ['password-letter', token],
    queryFn: () => http.get<{ email: string }>(at),
    retry: false,
    staleTime: Infinity,
  });
  const { register, handleSubmit, formState, setError } = useForm({
    defaultValues: { password: '' },
  });
  const submit = handleSubmit(async (given) => {
    try {
      await http.post(at, given);
      setIsDone(true);
    } catch (error) {
      setError('root', { message: sentenceOf(error) });
    }
  });
  if (isDone) {
    return (
      <Sheet title="The password is new">
        <p className="mb-4">Every device is signed out. Sign in with the new one.</p>
        <Link to="/sign-in" className={LINK}>
          Sign in
        </Link>
      </Sheet>
    );
  }
  if (letter.error) {
    return (
      <Centre title="No letter">
        <p className="mb-4">{sentenceOf(letter.error)}</p>
        <Link to="/password" className={LINK}>
          Ask for another letter
        </Link>
      </Centre>
    );
  }
  if (!letter.data) return <Centre>Opening …</Centre>;
  return (
    <Sheet title="A new password">
      <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-4">
        <p>For {letter.data.email}.</p>
        <Field
          label="A new password"
          type="password"
          autoComplete="new-password"
          hint="At least 10 characters, and none that many have."
          error={formState.errors.password?.message}
          {...register('password', {
            minLength: { value: 10, message: 'A password has at least 10 characters.' },
            required: 'Type a new password.',
          })}
        />
        <Trouble words={formState.errors.root?.message} />
        <Button type="submit" look="main" size="large" disabled={formState.isSubmitting}>
          Keep it
        </Button>
      </form>
    </Sheet>
  );
}
