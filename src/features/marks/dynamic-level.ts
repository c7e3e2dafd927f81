import { LEVELS, type DynamicLevel } from '@/core/dynamics';

export const isDynamicLevel = (text: string): text is DynamicLevel => LEVELS.some((l) => l === text);
