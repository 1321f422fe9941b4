import { Inject, Injectable, Logger } from '@nestjs/common';
import type { Mail } from '@gobrel/core';
import { createTransport, type Transporter } from 'nodemailer';
import { DataSource, type Repository } from 'typeorm';
import { CONFIG, type Config } from '../config.js';
import { Problem } from '../problems/problem.js';
import { MailRow } from './outbox.entities.js';

/** So many letters are kept to be looked at, the newest. */
const KEPT = 500;

/** All mail of the server. With an SMTP server it is sent; without one it is kept, to be looked at. */
@Injectable()
export class Outbox {
  readonly #mails: Repository<MailRow>;
  readonly #transport: Transporter | null;
  readonly #log = new Logger('outbox');

  constructor(
    private readonly database: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {
    this.#mails = database.getRepository(MailRow);
    this.#transport = config.smtpUrl === '' ? null : createTransport(config.smtpUrl);
  }

  /** @throws Problem when it cannot be sent; nobody has it then. */
  async send({
    address,
    subject,
    words,
  }: Pick<Mail, 'address' | 'subject' | 'words'>): Promise<void> {
    if (!this.#transport) return this.#keep({ address, subject, words });
    try {
      const from = this.config.mailFrom;
      await this.#transport.sendMail({ from, to: address, subject, text: words });
    } catch (error) {
      this.#log.error(error instanceof Error ? error.message : String(error));
      throw new Problem(502, 'Not sent', 'The mail could not be sent. Try again in a while.');
    }
  }

  /** Whether letters are kept, and shown to somebody. */
  get isShown(): boolean {
    return !this.#transport && this.config.outbox !== 'none';
  }

  list(): Promise<Mail<Date>[]> {
    return this.#mails.find({ order: { createdAt: 'DESC' }, take: KEPT });
  }

  async #keep(mail: Pick<Mail, 'address' | 'subject' | 'words'>): Promise<void> {
    await this.#mails.insert(mail);
    await this.database.query(
      `DELETE FROM mail WHERE id NOT IN (SELECT id FROM mail ORDER BY created_at DESC LIMIT $1)`,
      [KEPT],
    );
  }
}
