export interface Place {
  readonly x?: number;
  readonly y?: number;
  readonly z?: number;
}
export interface Corner {
  readonly x: number;
  readonly y: number;
  readonly bulge?: number;
}

/**
 * What an entity of any kind may hold (DXF reference, entities section). The parser fills what its kind has and leaves
 * out what the file does not say, whatever its own types promise.
 */
export interface DxfEntity {
  readonly type: string;
  readonly layer?: string;
  readonly lineType?: string;
  readonly visible?: boolean;
  readonly inPaperSpace?: boolean;
  /** The way the drawing is seen from, written in one of three ways. */
  readonly extrusionDirection?: Place;
  readonly extrusionDirectionZ?: number;
  readonly normalVector?: Place;
  /** INSERT: the block, and where and how often it is laid out. */
  readonly name?: string;
  readonly position?: Place;
  readonly rotation?: number;
  readonly xScale?: number;
  readonly yScale?: number;
  readonly rowCount?: number;
  readonly columnCount?: number;
  readonly rowSpacing?: number;
  readonly columnSpacing?: number;
  /** TEXT and MTEXT. */
  readonly text?: string;
  readonly startPoint?: Place;
  readonly textHeight?: number;
  readonly height?: number;
  /** CIRCLE, ARC and ELLIPSE; angles in radians. */
  readonly center?: Corner;
  readonly radius?: number;
  readonly startAngle?: number;
  readonly endAngle?: number;
  readonly majorAxisEndPoint?: Corner;
  readonly axisRatio?: number;
  /** LINE, LWPOLYLINE and POLYLINE; `shape` when it closes. */
  readonly vertices?: readonly Corner[];
  readonly shape?: boolean;
  /** SPLINE. */
  readonly controlPoints?: readonly Corner[];
  readonly fitPoints?: readonly Corner[];
  readonly knotValues?: readonly number[];
  readonly weights?: readonly number[];
  readonly degreeOfSplineCurve?: number;
  readonly closed?: boolean;
  readonly rational?: boolean;
}

/** A whole file as the parser gives it. */
export interface DxfFile {
  readonly header?: Readonly<Record<string, unknown>>;
  readonly entities?: readonly DxfEntity[];
  readonly blocks?: Readonly<Record<string, { readonly entities?: readonly DxfEntity[]; readonly position?: Place }>>;
  readonly tables?: {
    readonly layer?: {
      readonly layers?: Readonly<Record<string, { readonly visible?: boolean; readonly frozen?: boolean }>>;
    };
  };
}
