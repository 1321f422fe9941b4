import {
  Controller,
  Get,
  Param,
  Post,
  Query,
  Req,
  Res,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import type { AssetRef } from '@gobrel/core';
import type { Request, Response } from 'express';
import { CurrentVisitor } from '../access/guards.js';
import { type Visitor } from '../access/AccessService.js';
import { invalid } from '../problems/problem.js';
import { AssetsService } from './AssetsService.js';
import { SMALL_WIDTHS } from './sizes.js';
import { Needs } from '../access/needs.js';

const LARGEST_FILE = 20_000_000;

@Controller('api/assets')
@Needs('file:read', 'hash', 'picture')
export class AssetsController {
  constructor(private readonly assets: AssetsService) {}

  @Post()
  @Needs('site:bring')
  @UseInterceptors(
    FileInterceptor('file', { limits: { fileSize: LARGEST_FILE, files: 1, fields: 0 } }),
  )
  async add(
    @UploadedFile() file: Express.Multer.File | undefined,
    @CurrentVisitor() visitor: Visitor,
  ): Promise<AssetRef> {
    if (!file) throw invalid('No file came with this.');
    if (!visitor.teacher && visitor.student) {
      await this.assets.countUpload(visitor.student.folioId, file.size);
    }
    return this.assets.add(file.buffer, broughtBy(visitor));
  }

  /** A small PNG of any picture: for Check to measure what text on it stands out from, and for cards on the map. */
  @Get(':hash/small')
  async small(
    @Param('hash') hash: string,
    @Query('w') width: string | undefined,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    const { bytes, isDrawing } = await this.assets.small(
      hash,
      SMALL_WIDTHS.find((known) => String(known) === width),
    );
    response
      .type('image/png')
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .set('X-Picture-Kind', isDrawing ? 'drawing' : 'photo')
      .send(bytes);
  }

  /** Named by its contents, so it never changes. A drawing opened by itself may run and load nothing. */
  @Get(':hash')
  async serve(
    @Param('hash') hash: string,
    @Query('w') width: string | undefined,
    @Query('still') still: string | undefined,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    const wanted = Number(width);
    const picture = await this.assets.serve(hash, wanted > 0 ? wanted : undefined, still === '1');
    response
      .type(picture.mediaType)
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .set('Content-Security-Policy', "default-src 'none'; sandbox")
      .send(picture.bytes);
  }
}

export const broughtBy = ({ teacher, student }: Visitor): string | null =>
  teacher ? `teacher:${teacher.id}` : student ? `folio:${student.folioId}` : null;
