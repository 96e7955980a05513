import { CodeScreen } from '@/ui/selfTest/CodeScreen';
import * as words from '@/words/catalogue/selfTest';

export const metadata = { title: words.pageTitle() };

/** Open to whoever holds a unit under test: without a code nothing is there. */
export default function TestPage() {
  return <CodeScreen />;
}
