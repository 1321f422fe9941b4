import { Controller, Get, Inject, Req } from '@nestjs/common';
import type { Mail } from '@gobrel/core';
import type { Request } from 'express';
import { Needs } from '../access/needs.js';
import { CONFIG, type Config } from '../config.js';
import { Problem } from '../problems/problem.js';
import { Outbox } from './Outbox.js';

/** The stand-in for mail: what would have been sent. Whoever reads it can use what it holds, so not everybody may. */
@Controller('api/outbox')
@Needs('site:teach')
export class OutboxController {
  constructor(
    private readonly outbox: Outbox,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Get()
  list(@Req() request: Request): Promise<Mail<Date>[]> {
    const { outbox, proxies } = this.config;
    if (outbox === 'none' || (outbox === 'here' && !isFromHere(request, proxies))) {
      throw new Problem(
        409,
        'Not shown',
        'The outbox is shown only on the computer of the server.',
      );
    }
    return this.outbox.list();
  }
}

/** Whether a request was made on this very computer, as far as can be told: a proxy of which nobody was told hides that. */
function isFromHere(request: Request, proxies: number): boolean {
  const isPassedOn = 'x-forwarded-for' in request.headers || 'forwarded' in request.headers;
  return (!isPassedOn || proxies > 0) && /^(::ffff:)?127\.|^::1$/.test(request.ip ?? '');
}
