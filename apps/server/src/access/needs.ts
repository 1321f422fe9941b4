import { SetMetadata } from '@nestjs/common';
import type { Capability } from '@gobrel/core';

export interface Need {
  capability: Capability;
  /** The part of the address that names the thing; '' for what is about nothing else than who asks. */
  param: string;
  /** What it is called where there is no such thing. */
  what: string;
}

export const NEED = 'gobrel:need';

/** What whoever asks for a route, or for any of a controller's, must be allowed to do. Without it nobody may. */
export const Needs = (
  capability: Capability,
  param = '',
  what: string = capability.split(':')[0]!,
): MethodDecorator & ClassDecorator =>
  SetMetadata(NEED, { capability, param, what } satisfies Need);
