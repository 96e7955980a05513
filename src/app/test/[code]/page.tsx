import { SelfTestScreen } from '@/ui/selfTest/SelfTestScreen';
import * as words from '@/words/catalogue/selfTest';

export const metadata = { title: words.pageTitle() };

/** What is tested is asked for by the page itself, so that guessing codes is slowed where every other answer is. */
export default async function UnitTestPage({ params }: { readonly params: Promise<{ readonly code: string }> }) {
  return <SelfTestScreen code={(await params).code.slice(0, 12)} />;
}
