import { useId, type InputHTMLAttributes, type ReactElement, type Ref } from 'react';
import { classes } from './classes';

export interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  hint?: string;
  error?: string;
  ref?: Ref<HTMLInputElement>;
}

/** A labelled line of input with its hint and what is wrong with it. */
export function Field({ label, hint, error, className, ref, ...rest }: FieldProps): ReactElement {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-[14px] font-semibold mb-1">
        {label}
      </label>
      <input
        id={id}
        ref={ref}
        aria-invalid={error ? true : undefined}
        aria-describedby={hint || error ? `${id}-more` : undefined}
        className={classes(
          'w-full min-h-10 rounded-[6px] border bg-sheet px-3 text-[16px]',
          error ? 'border-ember' : 'border-line',
        )}
        {...rest}
      />
      {(error ?? hint) && (
        <p
          id={`${id}-more`}
          className={classes('mt-1 text-[13px]', error ? 'text-ember-deep' : 'text-soft')}
        >
          {error ?? hint}
        </p>
      )}
    </div>
  );
}
