import { Controller, Get, Header, Param, Post, Query } from '@nestjs/common';
import type { BoxPicture, CreditedPicture } from '@gobrel/core';
import type { Visitor } from '../access/AccessService.js';
import { CurrentVisitor } from '../access/guards.js';
import { broughtBy } from '../assets/AssetsController.js';
import { AssetsService } from '../assets/AssetsService.js';
import { notFound } from '../problems/problem.js';
import { DRAWINGS, svgOf, type Drawing } from './drawings/drawings.js';
import { Needs } from '../access/needs.js';

const AUTHOR = 'Gobrel picture box';

/** A small stand-in for the picture collections of the net: drawings of our own, openly licensed. */
@Controller('api/picture-box')
@Needs('site:bring')
export class PictureBoxController {
  constructor(private readonly assets: AssetsService) {}

  /** All words must be found, each in the title or among the tags; the best matches come first. */
  @Get()
  search(@Query('words') words?: string, @Query('licence') licence?: string): BoxPicture[] {
    const wanted = (words ?? '').toLowerCase().split(/\s+/).filter(Boolean).slice(0, 10);
    return DRAWINGS.flatMap((drawing) => {
      if (licence && drawing.licence !== licence) return [];
      const score = wanted.map((word) => scoreOf(drawing, word));
      return score.includes(0) ? [] : [{ drawing, score: score.reduce((a, b) => a + b, 0) }];
    })
      .sort((a, b) => b.score - a.score || a.drawing.title.localeCompare(b.drawing.title, 'en'))
      .map(({ drawing: { body: _body, ...listed } }) => ({ ...listed, author: AUTHOR }));
  }

  @Get(':id.svg')
  @Needs('site:visit')
  @Header('Content-Type', 'image/svg+xml')
  @Header('Cache-Control', 'public, max-age=86400')
  @Header('Content-Security-Policy', "default-src 'none'; sandbox")
  picture(@Param('id') id: string): string {
    return svgOf(find(id));
  }

  /** Puts a drawing among the pictures, and tells what its credit says. */
  @Post(':id')
  async take(
    @Param('id') id: string,
    @CurrentVisitor() visitor: Visitor,
  ): Promise<CreditedPicture> {
    const drawing = find(id);
    const { title, licence } = drawing;
    return {
      asset: await this.assets.add(Buffer.from(svgOf(drawing), 'utf8'), broughtBy(visitor)),
      credit: { title, author: AUTHOR, source: '', licence },
    };
  }
}

function find(id: string): Drawing {
  const drawing = DRAWINGS.find((one) => one.id === id);
  if (!drawing) throw notFound('picture');
  return drawing;
}

/** 3 for the beginning of the title, 2 for the beginning of a word, 1 for a tag, 0 for nothing. */
function scoreOf({ title, tags }: Drawing, word: string): number {
  const name = title.toLowerCase();
  if (name.startsWith(word)) return 3;
  if (name.split(/[\s-]+/).some((part) => part.startsWith(word))) return 2;
  return tags.some((tag) => tag.startsWith(word)) ? 1 : 0;
}
