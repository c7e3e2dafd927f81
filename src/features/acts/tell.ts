import { toast, type ExternalToast } from 'sonner';
import { say } from '@/ui';

/** A line at the edge of the screen that goes away by itself, in the words of the studio. */
export const tell = (sentence: string, more?: ExternalToast): void => void toast(say(sentence), more);
