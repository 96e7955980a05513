import type { ReactNode } from 'react';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readLine } from '@/services/line/readLine';
import { ShopFrame } from '@/ui/line/ShopFrame';

export default async function ShopLayout({ children }: { readonly children: ReactNode }) {
  const person = await guardPage('/');
  const line = await readLine(database(), new Date(), person.bench);
  return (
    <ShopFrame person={person} line={line}>
      {children}
    </ShopFrame>
  );
}
