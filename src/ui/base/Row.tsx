'use client';
import { chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { rowRecipe } from '@/ui/theme/recipes/row';

export const Row = chakra('li', rowRecipe);
export const RowButton = chakra('button', rowRecipe, { defaultProps: { type: 'button' } });
export const RowLink = chakra(Link, rowRecipe);
