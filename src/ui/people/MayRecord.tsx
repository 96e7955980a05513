'use client';
import { createContext, useContext, type ReactNode } from 'react';

const MayRecordContext = createContext(true);

/** Whether the person here may record facts: to somebody who only looks, what records is not shown. */
export function MayRecord({ value, children }: { readonly value: boolean; readonly children: ReactNode }) {
  return <MayRecordContext.Provider value={value}>{children}</MayRecordContext.Provider>;
}

export const useMayRecord = (): boolean => useContext(MayRecordContext);
