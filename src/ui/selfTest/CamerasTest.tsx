'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { v4 as makeId } from 'uuid';
import { isDark } from '@/core/selfTest/judgeSelfTest';
import { pictureFigures, type PictureFigures } from '@/core/selfTest/pictureFigures';
import type { CameraShot, SelfRead } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import { send } from '@/ui/server/send';
import { whole } from '@/words/format';
import * as texts from '@/words/catalogue/selfTest';
import { kindNames } from './kindNames';
import { UnitPage } from './UnitPage';

const Live = chakra('video', { base: { w: '100%', bg: 'sunk', borderRadius: 'soft' } });

/** Wide enough to judge focus, small enough to send from a shelf of phones. */
const widest = 960;

interface Taken extends PictureFigures {
  readonly jpeg: Blob | null;
}

/** A picture of each camera: measured, looked at, and kept with the unit. */
export function CamerasTest({
  code,
  onRead,
  onLeave,
}: {
  readonly code: string;
  readonly onRead: (read: SelfRead) => void;
  readonly onLeave: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const [cameras, setCameras] = useState<readonly MediaDeviceInfo[] | null>(null);
  const [at, setAt] = useState(0);
  const [facing, setFacing] = useState<CameraShot['facing']>('back');
  const [taken, setTaken] = useState<Taken | null>(null);
  const [shots, setShots] = useState<readonly CameraShot[]>([]);
  const camera = cameras?.[at];
  useEffect(() => {
    let isOver = false;
    // Cameras have no names until somebody has said yes to one.
    const find = async () => {
      const first = await navigator.mediaDevices?.getUserMedia({ video: true }).catch(() => undefined);
      const all = first ? await navigator.mediaDevices.enumerateDevices() : [];
      for (const track of first?.getTracks() ?? []) track.stop();
      if (!isOver) setCameras(all.filter(({ kind }) => kind === 'videoinput'));
    };
    void find();
    return () => {
      isOver = true;
    };
  }, []);
  useEffect(() => {
    if (!camera) return undefined;
    let stream: MediaStream | undefined;
    let isOver = false;
    const open = async () => {
      stream = await navigator.mediaDevices
        .getUserMedia({ video: { deviceId: { exact: camera.deviceId }, width: { ideal: 1280 } } })
        .catch(() => undefined);
      if (isOver) return stop(stream);
      const settings = stream?.getVideoTracks()[0]?.getSettings();
      setFacing(settings?.facingMode === 'user' ? 'front' : 'back');
      if (video.current && stream) {
        video.current.srcObject = stream;
        await video.current.play().catch(() => undefined);
      }
      return undefined;
    };
    void open();
    return () => {
      isOver = true;
      stop(stream);
    };
  }, [camera]);
  const take = async () => {
    const own = video.current;
    if (!own || own.videoWidth === 0) return;
    const scale = Math.min(1, widest / own.videoWidth);
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(own.videoWidth * scale);
    canvas.height = Math.round(own.videoHeight * scale);
    const pen = canvas.getContext('2d', { willReadFrequently: true });
    pen?.drawImage(own, 0, 0, canvas.width, canvas.height);
    const pixels = pen?.getImageData(0, 0, canvas.width, canvas.height);
    if (!pixels) return;
    const jpeg = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.85));
    setTaken({ ...pictureFigures(pixels.data, canvas.width, canvas.height), jpeg });
  };
  const judge = async (byEye: CameraShot['byEye']) => {
    if (!taken || !cameras) return;
    const { jpeg, brightness, sharpness } = taken;
    const photo = makeId();
    // A picture that does not arrive is missed; what was seen of it still counts.
    const kept = jpeg && (await send('PUT', `/api/self-tests/${code}/pictures/${photo}`, jpeg)).ok;
    const all = [...shots, { facing, brightness, sharpness, byEye, photo: kept ? photo : null }];
    setTaken(null);
    setShots(all);
    if (at + 1 === cameras.length) onRead({ is: 'cameras', shots: all });
    else setAt(at + 1);
  };
  return (
    <UnitPage title={kindNames.cameras} lead={cameras?.length === 0 ? texts.noCamera() : texts.pointAtText()}>
      <Box display="grid" gap="12px">
        {camera && cameras && (
          <>
            <Box textStyle="section">{texts.cameraOf({ at: at + 1, count: cameras.length, facing })}</Box>
            <Live ref={video} muted playsInline />
            {taken === null ? (
              <Button look="action" size="wide" onClick={() => void take()}>
                {texts.takePicture()}
              </Button>
            ) : (
              <>
                <Box>
                  {isDark(taken)
                    ? texts.isDark()
                    : texts.pictureFigures({
                        sharpness: whole(Math.round(taken.sharpness)),
                        brightness: whole(Math.round(taken.brightness)),
                      })}
                </Box>
                <Box textStyle="figure">{texts.isItClean()}</Box>
                <Button look="sound" size="wide" onClick={() => void judge('clean')}>
                  {texts.pictureClean()}
                </Button>
                <Button look="fault" size="wide" onClick={() => void judge('poor')}>
                  {texts.picturePoor()}
                </Button>
                <Button onClick={() => setTaken(null)}>{texts.takeAgain()}</Button>
              </>
            )}
          </>
        )}
        <Button onClick={onLeave}>{texts.back()}</Button>
      </Box>
    </UnitPage>
  );
}

function stop(stream: MediaStream | undefined): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}
