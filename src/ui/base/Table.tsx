'use client';
import { chakra } from '@chakra-ui/react';
import { tableRecipe } from '@/ui/theme/recipes/table';

export const Table = chakra('table', tableRecipe);
