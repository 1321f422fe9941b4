import type { ButtonHTMLAttributes, ReactElement } from 'react';
import { classes } from './classes';

type Look = 'main' | 'plain' | 'quiet' | 'ember';

const LOOKS: Record<Look, string> = {
  main: 'bg-petrol text-white border-petrol hover:bg-[#0f3f49]',
  plain: 'bg-sheet text-ink border-line hover:border-petrol',
  quiet: 'bg-transparent text-soft border-transparent hover:text-ink hover:bg-sand',
  ember: 'bg-sheet text-ember-deep border-[#e6c4b6] hover:border-ember',
};

export interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: Look;
  size?: 'normal' | 'small' | 'large';
}

export function Button({
  look = 'plain',
  size = 'normal',
  className,
  ...rest
}: ButtonProps): ReactElement {
  return (
    <button
      type="button"
      className={classes(
        'inline-flex items-center justify-center gap-2 rounded-[6px] border font-semibold whitespace-nowrap transition-colors disabled:opacity-50 disabled:pointer-events-none',
        size === 'small' && 'min-h-8 px-2.5 text-[13px]',
        size === 'normal' && 'min-h-[34px] px-3.5 text-[14px]',
        size === 'large' && 'min-h-11 px-5 text-[16px]',
        LOOKS[look],
        className,
      )}
      {...rest}
    />
  );
}
