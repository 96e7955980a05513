'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { beep } from '@/ui/base/beep';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as words from '@/words/catalogue/keys';
import { openFrameReader } from './readFrame';

const Picture = chakra('video');

const lookEveryMs = 150;
/** Codes are read well at this width, and a phone is quick with it. */
const mostPixels = 960;
/** The same code is the same thing while it is held there. */
const sameForMs = 2500;

type Trouble = 'denied' | 'none' | 'insecure';

/**
 * A camera in place of a scanner: what it reads is taken as if a scanner had typed it. It stays open for the next code
 * where codes are collected; a tag leads away and closes it.
 *
 * @param onCode  false when nothing takes this code here
 */
export function CameraScan({
  onCode,
  onClose,
}: {
  readonly onCode: (code: string) => boolean;
  readonly onClose: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [last, setLast] = useState<{ readonly code: string; readonly isTaken: boolean } | null>(null);
  const take = useRef(onCode);
  useEffect(() => {
    take.current = onCode;
  });
  useEffect(() => {
    const picture = video.current;
    let isOver = false;
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const read = async (): Promise<void> => {
      if (!picture) return;
      // Only pages of this very machine and pages behind HTTPS are given a camera.
      if (!navigator.mediaDevices) return setTrouble('insecure');
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 1280 } },
        });
      } catch (error) {
        return setTrouble((error as DOMException).name === 'NotAllowedError' ? 'denied' : 'none');
      }
      if (isOver) return stop(stream);
      picture.srcObject = stream;
      await picture.play().catch(() => undefined);
      const reader = await openFrameReader();
      const canvas = document.createElement('canvas');
      let before = { code: '', at: 0 };
      const look = async (): Promise<void> => {
        if (isOver) return;
        const { videoWidth: width, videoHeight: height } = picture;
        if (width > 0) {
          const scale = Math.min(1, mostPixels / width);
          canvas.width = Math.round(width * scale);
          canvas.height = Math.round(height * scale);
          canvas.getContext('2d', { willReadFrequently: true })?.drawImage(picture, 0, 0, canvas.width, canvas.height);
          const code = (await reader(canvas).catch(() => null))?.trim() ?? '';
          const now = performance.now();
          const isSame = code === before.code && now - before.at < sameForMs;
          if (code !== '') before = { code, at: now };
          if (code !== '' && !isSame && !isOver) {
            const isTaken = take.current(code);
            beep(isTaken ? 'well' : 'wrong');
            setLast({ code, isTaken });
          }
        }
        if (!isOver) timer = setTimeout(() => void look(), lookEveryMs);
      };
      void look();
    };
    void read();
    return () => {
      isOver = true;
      clearTimeout(timer);
      if (stream) stop(stream);
    };
  }, []);
  return (
    <KeyLayer>
      <Dialog title={words.scanWithCamera()} onClose={onClose}>
        {trouble ? (
          <Caution what={words.noPicture()}>{troubleWords[trouble]}</Caution>
        ) : (
          <Picture
            ref={video}
            muted
            playsInline
            w="100%"
            maxH="56vh"
            bg="ink"
            borderRadius="soft"
            aria-label={words.cameraPicture()}
          />
        )}
        <Box mt="10px" textStyle="lead" minH="28px" aria-live="polite" data-read={last?.code}>
          {last && (last.isTaken ? words.codeRead({ code: last.code }) : words.codeOfNoUse({ code: last.code }))}
        </Box>
        <Box textStyle="note" color="inkMuted">
          {words.holdCode()}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

const stop = (stream: MediaStream): void => stream.getTracks().forEach((track) => track.stop());

const troubleWords: Readonly<Record<Trouble, string>> = {
  denied: words.cameraDenied(),
  none: words.cameraNone(),
  insecure: words.cameraInsecure(),
};
