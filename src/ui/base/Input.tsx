'use client';
import { chakra } from '@chakra-ui/react';
import { inputRecipe } from '@/ui/theme/recipes/field';

export const Input = chakra('input', inputRecipe);
export const Select = chakra('select', inputRecipe);
