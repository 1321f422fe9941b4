import { useState, type FormEvent, type ReactElement } from 'react';
import { useMutation } from '@tanstack/react-query';
import { http, sentenceOf } from '../api/http';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Centre } from '../ui/Page';
import { isFramed } from '../reading/frame';

/** Asks for the pass word of a published deck. */
export default function PassWord(props: { code: string; onTold: () => void }): ReactElement {
  const [pass, setPass] = useState('');
  const tell = useMutation({
    mutationFn: () => http.post(`published/${props.code}/pass`, { pass }),
    onSuccess: props.onTold,
  });
  if (isFramed()) {
    return (
      <Centre title="This deck asks for a pass word">
        <a
          href={location.href}
          target="_blank"
          rel="noreferrer"
          className="inline-flex min-h-8 items-center text-petrol underline underline-offset-4"
        >
          Open it in a window of its own
        </a>
      </Centre>
    );
  }
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (pass.trim() !== '') tell.mutate();
  };
  return (
    <Centre title="This deck asks for a pass word">
      <form onSubmit={submit} className="mt-4 flex flex-col gap-3 text-left">
        <Field
          label="Pass word"
          value={pass}
          autoFocus
          autoComplete="off"
          error={tell.error ? sentenceOf(tell.error) : undefined}
          onChange={(event) => {
            setPass(event.target.value);
            tell.reset();
          }}
        />
        <Button
          type="submit"
          look="main"
          size="large"
          disabled={pass.trim() === '' || tell.isPending}
        >
          Open the deck
        </Button>
      </form>
    </Centre>
  );
}
