import 'reflect-metadata';
import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsBoolean, Matches, ValidateNested } from 'class-validator';

export class AnswerDto {
  @Matches(/^(order|tool|cup):[a-z0-9-]{1,60}$/)
  item!: string;

  @IsBoolean()
  isRight!: boolean;
}

export class AnswersDto {
  @IsArray()
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => AnswerDto)
  answers!: AnswerDto[];
}
