declare module 'webvtt-parser' {
  export interface VttCue {
    readonly id: string;
    readonly startTime: number;
    readonly endTime: number;
    readonly text: string;
  }
  export class WebVTTParser {
    parse(
      input: string,
      mode?: string,
    ): {
      readonly cues: readonly VttCue[];
      readonly errors: readonly { readonly message: string; readonly line: number; readonly col?: number }[];
    };
  }
}
