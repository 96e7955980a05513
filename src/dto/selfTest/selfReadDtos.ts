import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsUUID,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import {
  markKinds,
  patterns,
  selfTestKinds,
  type CameraShot,
  type CamerasRead,
  type KeysRead,
  type Mark,
  type MarkKind,
  type Pattern,
  type PictureRead,
  type SelfTestKind,
  type SoundRead,
  type Tone,
  type TouchRead,
  type VibrationRead,
} from '@/core/selfTest/reads';

const mostPixels = 20_000;
const mostCells = 100;

class MarkDto implements Mark {
  @IsIn(patterns)
  pattern!: Pattern;

  @IsIn(markKinds)
  kind!: MarkKind;

  @IsNumber()
  @Min(0)
  @Max(mostPixels)
  x!: number;

  @IsNumber()
  @Min(0)
  @Max(mostPixels)
  y!: number;
}

class PictureReadDto implements PictureRead {
  @IsIn(['picture'])
  is!: 'picture';

  @IsInt()
  @Min(1)
  @Max(mostPixels)
  width!: number;

  @IsInt()
  @Min(1)
  @Max(mostPixels)
  height!: number;

  @IsArray()
  @ArrayMaxSize(patterns.length)
  @IsIn(patterns, { each: true })
  shown!: Pattern[];

  @IsArray()
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @Type(() => MarkDto)
  marks!: MarkDto[];
}

class TouchReadDto implements TouchRead {
  @IsIn(['touch'])
  is!: 'touch';

  @IsInt()
  @Min(1)
  @Max(mostCells)
  columns!: number;

  @IsInt()
  @Min(1)
  @Max(mostCells)
  rows!: number;

  @IsArray()
  @ArrayMaxSize(mostCells * mostCells)
  @IsInt({ each: true })
  @Min(0, { each: true })
  @Max(mostCells * mostCells - 1, { each: true })
  missed!: number[];

  @IsInt()
  @Min(0)
  @Max(20)
  fingers!: number;
}

class ToneDto implements Tone {
  @IsNumber()
  @Min(20)
  @Max(20_000)
  hertz!: number;

  @IsNumber()
  @Min(-300)
  @Max(50)
  quietDb!: number;

  @IsNumber()
  @Min(-300)
  @Max(50)
  heardDb!: number;
}

class SoundReadDto implements SoundRead {
  @IsIn(['sound'])
  is!: 'sound';

  @IsArray()
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => ToneDto)
  tones!: ToneDto[];

  @ValidateIf((dto: SoundReadDto) => dto.byEar !== null)
  @IsIn(['clear', 'poor', 'nothing'])
  byEar!: SoundRead['byEar'];
}

class ShotDto implements CameraShot {
  @IsIn(['front', 'back'])
  facing!: CameraShot['facing'];

  @IsNumber()
  @Min(0)
  @Max(255)
  brightness!: number;

  @IsNumber()
  @Min(0)
  @Max(5_000_000)
  sharpness!: number;

  @IsIn(['clean', 'poor'])
  byEye!: CameraShot['byEye'];

  @ValidateIf((dto: ShotDto) => dto.photo !== null)
  @IsUUID()
  photo!: string | null;
}

class CamerasReadDto implements CamerasRead {
  @IsIn(['cameras'])
  is!: 'cameras';

  @IsArray()
  @ArrayMaxSize(8)
  @ValidateNested({ each: true })
  @Type(() => ShotDto)
  shots!: ShotDto[];
}

class VibrationReadDto implements VibrationRead {
  @IsIn(['vibration'])
  is!: 'vibration';

  @ValidateIf((dto: VibrationReadDto) => dto.shake !== null)
  @IsNumber()
  @Min(0)
  @Max(1000)
  shake!: number | null;

  @ValidateIf((dto: VibrationReadDto) => dto.byHand !== null)
  @IsIn(['strong', 'weak', 'nothing'])
  byHand!: VibrationRead['byHand'];
}

class KeysReadDto implements KeysRead {
  @IsIn(['keys'])
  is!: 'keys';

  @IsInt()
  @Min(0)
  @Max(300)
  pressed!: number;

  @IsArray()
  @ArrayMaxSize(200)
  @Matches(/^[A-Za-z0-9]{1,30}$/, { each: true })
  dead!: string[];
}

class NoReadDto {
  @IsIn(selfTestKinds)
  is!: SelfTestKind;
}

const readDtos: Readonly<Record<SelfTestKind, new () => object>> = {
  picture: PictureReadDto,
  touch: TouchReadDto,
  sound: SoundReadDto,
  cameras: CamerasReadDto,
  vibration: VibrationReadDto,
  keys: KeysReadDto,
};

/** The shape that a read has to have, by what it says it is. */
export function readDtoOf(read: unknown): new () => object {
  const is = (read as { is?: unknown } | null | undefined)?.is;
  return typeof is === 'string' && Object.hasOwn(readDtos, is) ? readDtos[is as SelfTestKind] : NoReadDto;
}
