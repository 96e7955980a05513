'use client';
import dynamic from 'next/dynamic';

/** Every page carries what it shows when it is not there: only the door to it, then. */
export const NotHere = dynamic(() => import('./NotHereScreen').then((module) => module.NotHereScreen));
