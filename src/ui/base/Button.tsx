'use client';
import { chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { buttonRecipe } from '@/ui/theme/recipes/button';

export const Button = chakra('button', buttonRecipe, { defaultProps: { type: 'button' } });
export const ButtonLink = chakra(Link, buttonRecipe, { defaultProps: { prefetch: false } });
