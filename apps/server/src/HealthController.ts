import { Controller, Get } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Needs } from './access/needs.js';

@Controller('api/health')
@Needs('site:visit')
export class HealthController {
  constructor(private readonly database: DataSource) {}

  /** Answers when the database does. */
  @Get()
  async health(): Promise<{ status: 'ok' }> {
    await this.database.query('SELECT 1');
    return { status: 'ok' };
  }
}
