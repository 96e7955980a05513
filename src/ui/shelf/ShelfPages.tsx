'use client';
import { PageLinks } from '@/ui/line/PageLinks';
import { useMayRecord } from '@/ui/people/MayRecord';
import * as texts from '@/words/catalogue/shelf';

const countPath = '/shelf/count';
const pages = [
  ['/shelf', texts.pageShelf()],
  ['/shelf/fetch', texts.pageFetch()],
  ['/shelf/stock', texts.pageStock()],
  [countPath, texts.pageCount()],
  ['/shelf/supplies', texts.pageSupplies()],
  ['/shelf/leaving', texts.pageLeaving()],
] as const;

/** What there is to do about the shelf; who only looks has nothing to count. */
export function ShelfPages() {
  const mayRecord = useMayRecord();
  const own = pages.filter(([path]) => mayRecord || path !== countPath);
  return <PageLinks label={texts.pages()} pages={own} mb="10px" />;
}
