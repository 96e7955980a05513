'use client';
import { useEffect } from 'react';
import { pictures } from './pictures';

/** Sends what an earlier page left behind, on whatever screen the person is now. */
export function PictureSender() {
  useEffect(() => void pictures(), []);
  return null;
}
