'use client';
import { useRouter } from 'next/navigation';
import {
  type ComponentProps,
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { flushSync } from 'react-dom';
import { parseTag } from '@/core/shared/tags';
import { readBinCode } from '@/core/shelf/binCode';
import { allHere, late, useLate } from '@/ui/base/late';
import { KeyDispatcher } from './keyDispatcher';
import { PedalBar } from './PedalBar';
import { KeyRegistry, type KeyBinding } from './keyRegistry';

/** Takes what something beside the keyboard has read; false when nothing has a use for it. */
type TakeScanned = (code: string) => boolean;
const ScannedContext = createContext<TakeScanned>(() => false);

const RegistryContext = createContext<KeyRegistry | null>(null);
const LayerContext = createContext(0);

/** Keys of everything inside act before, and instead of, those outside: for a choice that is open. */
export function KeyLayer({ children }: { readonly children: ReactNode }) {
  const layer = useContext(LayerContext) + 1;
  const registry = useContext(RegistryContext);
  useLayoutEffect(() => registry?.openLayer(layer), [registry, layer]);
  return <LayerContext.Provider value={layer}>{children}</LayerContext.Provider>;
}

/** The list of keys is seldom asked for: it comes after the screen, and before the first key is heard. */
const help = late(async () => {
  const { KeysHelp } = await import('./KeysHelp');
  return (given: ComponentProps<typeof KeysHelp>) => <KeysHelp {...given} />;
});

/** Listens once for the whole application, and shows the keys of the screen on “?”. */
export function KeysProvider({ children }: { readonly children: ReactNode }) {
  const router = useRouter();
  const [registry] = useState(() => new KeyRegistry());
  const drawHelp = useLate(help);
  const [explained, setExplained] = useState<readonly KeyBinding[] | null>(null);

  const takeScanned = useCallback<TakeScanned>(
    (code) => {
      const tag = parseTag(code)?.tag;
      if (tag && !registry.scanTag(tag)) router.push(`/t/${tag}`);
      return tag !== undefined || registry.scanCode(code) || openBin(code, router);
    },
    [registry, router],
  );

  useEffect(() => {
    const dispatcher = new KeyDispatcher({
      // Drawn before the next key acts: two keys can come in one breath, and the first may open a choice.
      run: (key) => flushSync(() => registry.run(key)),
      scan: (tag) => {
        if (!registry.scanTag(tag)) router.push(`/t/${tag}`);
      },
      scanCode: (code) => registry.scanCode(code) || openBin(code, router),
      later: (work, ms) => {
        const timer = setTimeout(work, ms);
        return () => clearTimeout(timer);
      },
    });
    // Keys that came before what they do was there: pressed then, in their order.
    const early: string[] = [];
    let isReady = false;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return;
      const isForField = !isNoFigure(event, registry) && !isRestOfLabel(event, dispatcher);
      if (isTyping(event) && event.key !== 'Escape' && isForField) return;
      if (event.key === ' ' ? hasSpace(event.target, registry) : isEnterOf(event)) return;
      // A key held down is one press.
      if (event.repeat && !event.key.startsWith('Arrow')) {
        if (registry.has(event.key)) event.preventDefault();
        return;
      }
      if (event.key === '?') {
        event.preventDefault();
        setExplained((before) => (before ? null : registry.live()));
        return;
      }
      if (!isReady) {
        // Tab, the function keys and the like are the browser's own until then.
        if (event.key.length > 1 && !/^(Enter|Escape|Arrow.*)$/.test(event.key)) return;
        early.push(event.key);
        event.preventDefault();
        return;
      }
      if (dispatcher.press(event.key)) event.preventDefault();
    };
    // Some browsers press a button when space comes up, whatever became of its going down.
    const onKeyUp = (event: KeyboardEvent) => {
      if (event.key === ' ' && !isTyping(event) && registry.has(' ') && !hasSpace(event.target, registry))
        event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKeyUp);
    document.documentElement.dataset.keys = 'kept';
    void allHere().then(() => {
      isReady = true;
      for (const key of early.splice(0)) dispatcher.press(key);
      // Before this the page is drawn but deaf; scripts and tests wait for it.
      document.documentElement.dataset.keys = 'heard';
    });
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKeyUp);
    };
  }, [registry, router]);

  return (
    <RegistryContext.Provider value={registry}>
      <ScannedContext.Provider value={takeScanned}>{children}</ScannedContext.Provider>
      <PedalBar registry={registry} />
      {explained && (
        <LayerContext.Provider value={aboveAll}>
          <KeyLayer>{drawHelp?.({ bindings: explained, onClose: () => setExplained(null) })}</KeyLayer>
        </LayerContext.Provider>
      )}
    </RegistryContext.Provider>
  );
}

/** What lies in a bin is shown when its label is scanned. */
function openBin(code: string, router: ReturnType<typeof useRouter>): boolean {
  const bin = readBinCode(code);
  if (bin !== null) router.push(`/shelf?bin=${bin}`);
  return bin !== null;
}

function isTyping({ target }: KeyboardEvent): boolean {
  return (
    target instanceof HTMLElement &&
    (target.matches('textarea, select') || (target instanceof HTMLInputElement && target.type !== 'checkbox'))
  );
}

const isForFigures = (target: EventTarget | null): target is HTMLInputElement =>
  target instanceof HTMLInputElement && target.matches('[data-figures]');

/**
 * A field that takes figures has no use for letters, nor an empty one for Backspace: those that do something do it. A capital may
 * be the first of a label, scanned while the field of a part before is still open.
 */
const isNoFigure = ({ key, target }: KeyboardEvent, registry: KeyRegistry): boolean =>
  isForFigures(target) &&
  (/^[A-Z]$/.test(key) || ((/^[a-z]$/.test(key) || (key === 'Backspace' && target.value === '')) && registry.has(key)));

/** What comes in one breath after it is the rest of that label. */
const isRestOfLabel = ({ key, target }: KeyboardEvent, dispatcher: KeyDispatcher): boolean =>
  isForFigures(target) && dispatcher.isInBurst && /^([a-z0-9-]|Enter)$/i.test(key);

/** The help lies over every choice that may be open. */
const aboveAll = 100;

/** Enter presses a button that was tabbed to. */
const isEnterOf = ({ key, target }: KeyboardEvent): boolean => key === 'Enter' && isReachedByKeyboard(target);

/**
 * Space is the pedal: it does the one next thing of the screen, whatever was clicked or tabbed to before. Only a box to
 * tick, a button of an open choice, and a screen without a next thing leave it to what has the focus.
 */
function hasSpace(target: EventTarget | null, registry: KeyRegistry): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.matches('input[type=checkbox], input[type=radio]')) return true;
  return isReachedByKeyboard(target) && (target.closest('dialog') !== null || !registry.has(' '));
}

function isReachedByKeyboard(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && target.matches('a:focus-visible, button:focus-visible, summary:focus-visible')
  );
}

/** Binds a key for as long as the component is there. The latest `run` is used without binding again. */
export function useKey(key: string | undefined, label: string, run: () => void, isEnabled = true): void {
  const registry = useContext(RegistryContext);
  const layer = useContext(LayerContext);
  const latest = useRef(run);
  // Bound with the frame that shows it: a key that is pressed right after is already this one's.
  useLayoutEffect(() => {
    latest.current = run;
  });
  const binding = useMemo<KeyBinding | null>(
    () => (key === undefined ? null : { key, label, layer, run: () => latest.current() }),
    [key, label, layer],
  );
  useLayoutEffect(() => (binding && isEnabled ? registry?.add(binding) : undefined), [registry, binding, isEnabled]);
}

/** Takes codes that a scanner reads and that are no tags, as serials are, for as long as the component is there. */
export function useScannedCode(take: (code: string) => void): void {
  const registry = useContext(RegistryContext);
  const latest = useRef(take);
  useLayoutEffect(() => {
    latest.current = take;
  });
  useLayoutEffect(() => registry?.takeCodes((code) => latest.current(code)), [registry]);
}

/**
 * Takes tags that a scanner reads, on a screen that goes through things by their tags; elsewhere a tag opens its thing.
 *
 * @param take  false when the tag is nothing to this screen: then it opens its thing
 */
export function useOwnTags(take: (tag: string) => boolean): void {
  const registry = useContext(RegistryContext);
  const latest = useRef(take);
  useLayoutEffect(() => {
    latest.current = take;
  });
  useLayoutEffect(() => registry?.takeTags((tag) => latest.current(tag)), [registry]);
}

/** A way in for what a camera reads: as if a scanner had typed it. */
export const useTakeScanned = (): TakeScanned => useContext(ScannedContext);

/** Whether this lies in a choice that is open. */
export const useIsInChoice = (): boolean => useContext(LayerContext) > 0;
