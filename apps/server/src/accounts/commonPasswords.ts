import { dictionary } from '@zxcvbn-ts/language-common';
import { registerDecorator } from 'class-validator';

/** Passwords that many have, from lists that were lost elsewhere, in lower case. */
const COMMON = new Set(dictionary.passwords);

/**
 * Whether somebody who guesses would come to it early: it is among the common ones, or one of them with digits and signs
 * after it, or one character again and again.
 */
export function isCommon(password: string): boolean {
  const words = password.trim().toLowerCase();
  const bare = words.replace(/[^\p{L}]+$/u, '');
  return COMMON.has(words) || COMMON.has(bare) || bare === '' || new Set(words).size < 4;
}

/** Refuses what is common. */
export const IsUncommon = (): PropertyDecorator => (target, propertyName) => {
  registerDecorator({
    name: 'isUncommon',
    target: target.constructor,
    propertyName: String(propertyName),
    validator: {
      validate: (value: unknown) => typeof value === 'string' && !isCommon(value),
      defaultMessage: () => 'Many have this password, or one much like it. Take another one',
    },
  });
};
