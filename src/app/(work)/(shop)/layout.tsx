import type { ReactNode } from 'react';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readString } from '@/services/string/readString';
import { ShopFrame } from '@/ui/line/ShopFrame';

export default async function ShopLayout({ children }: { readonly children: ReactNode }) {
  const person = await guardPage();
  const string = await readString(database(), new Date());
  return (
    <ShopFrame person={person} string={string}>
      {children}
    </ShopFrame>
  );
}
