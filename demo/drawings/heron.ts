import { nth } from '#core/units';
import { contains, type Point } from '#core/geometry';
import { circle, Sketch, smooth } from './sketch.ts';

/** A heron among reeds at low water, 420 × 640 mm, for copper foil. */
export const HERON = { widthMm: 420, heightMm: 640 };

const bill: Point[] = [
  [62, 176],
  [152, 143],
  [158, 166],
];
const crown = smooth(
  [
    [152, 143],
    [162, 127],
    [186, 120],
    [212, 127],
    [262, 152],
    [214, 152],
    [186, 150],
    [158, 166],
  ],
  true,
  8,
);
const neck = smooth(
  [
    [158, 166],
    [186, 149],
    [208, 153],
    [222, 186],
    [220, 226],
    [202, 262],
    [190, 300],
    [200, 336],
    [176, 372],
    [148, 350],
    [150, 306],
    [166, 268],
    [184, 232],
    [186, 202],
    [172, 180],
  ],
  true,
  8,
);
const body = smooth(
  [
    [150, 348],
    [172, 366],
    [200, 334],
    [248, 346],
    [304, 378],
    [350, 436],
    [386, 500],
    [330, 492],
    [270, 486],
    [208, 466],
    [162, 416],
    [146, 376],
  ],
  true,
  8,
);
const wing = smooth(
  [
    [192, 360],
    [236, 352],
    [290, 380],
    [336, 430],
    [366, 478],
    [300, 462],
    [238, 446],
    [198, 408],
  ],
  true,
  8,
);
const leg = (x: number, lean: number): Point[] => [
  [x, 462],
  [x + 12, 462],
  [x + 12 + lean, 552],
  [x + 11 + lean * 1.4, 640],
  [x - 1 + lean * 1.4, 640],
  [x + lean, 552],
];
const legs = [leg(228, -6), leg(264, 8)];
const reed = (foot: number, tip: Point, width: number, bow: number): Point[] => [
  ...smooth([[foot - width / 2, 640], [(foot + tip[0]) / 2 - width / 2 + bow, (640 + tip[1]) / 2], tip], false, 8),
  ...smooth(
    [tip, [(foot + tip[0]) / 2 + width / 2 + bow, (640 + tip[1]) / 2], [foot + width / 2, 640]],
    false,
    8,
  ).slice(1),
];
const reeds = [
  reed(44, [26, 262], 26, -2),
  reed(92, [118, 388], 24, -6),
  reed(386, [402, 238], 26, -8),
  reed(346, [318, 520], 24, 6),
];
const sun = circle(316, 226, 62);
const SHORE = 470;
const WATER = 536;

export function drawHeron(): string {
  const s = new Sketch(HERON.widthMm, HERON.heightMm);
  for (const shape of [bill, crown, neck, body, ...legs, ...reeds]) s.shape(shape);
  s.inside(
    [
      [60, 176.5],
      [166, 154],
    ],
    bill,
  );
  s.inside(
    smooth([
      [176, 122],
      [186, 136],
      [182, 156],
    ]),
    crown,
  );
  s.inside(
    smooth([
      [212, 124],
      [216, 140],
      [210, 160],
    ]),
    crown,
  );
  for (const [a, b] of [
    [
      [170, 208],
      [230, 196],
    ],
    [
      [160, 252],
      [226, 248],
    ],
    [
      [140, 300],
      [206, 300],
    ],
    [
      [140, 336],
      [216, 326],
    ],
  ] as [Point, Point][])
    s.inside([a, b], neck);
  // The wing lies on the body; its feathers fan from the shoulder.
  s.inside([...wing, nth(wing, 0)], body);
  const inWing = (points: Point[]) => s.inside(points, wing);
  inWing(
    smooth([
      [180, 380],
      [250, 384],
      [310, 412],
      [364, 456],
    ]),
  );
  inWing(
    smooth([
      [180, 398],
      [246, 412],
      [300, 436],
      [380, 480],
    ]),
  );
  inWing(
    smooth([
      [238, 336],
      [240, 384],
      [228, 420],
      [222, 470],
    ]),
  );
  inWing(
    smooth([
      [290, 360],
      [292, 404],
      [284, 432],
      [274, 480],
    ]),
  );
  inWing(
    smooth([
      [334, 400],
      [334, 430],
      [326, 446],
      [314, 490],
    ]),
  );
  const onBody = (...points: Point[]) => s.inside(points, body, wing);
  onBody([140, 384], [170, 386], [200, 382]);
  onBody([160, 424], [180, 418], [212, 414]);
  onBody([230, 436], [224, 456], [214, 484]);
  onBody([300, 455], [300, 476], [298, 500]);
  onBody([270, 372], [284, 356], [294, 344]);
  onBody([360, 470], [374, 480], [392, 486]);
  for (const shape of legs)
    s.inside(
      [
        [210, 552],
        [290, 552],
      ],
      shape,
    );
  for (const shape of reeds)
    for (const y of [330, 440, 560])
      s.inside(
        [
          [0, y],
          [420, y + 14],
        ],
        shape,
      );
  s.shape(sun);
  s.inside(
    smooth([
      [250, 236],
      [300, 214],
      [384, 232],
    ]),
    sun,
  );
  s.inside(
    smooth([
      [330, 160],
      [322, 226],
      [330, 292],
    ]),
    sun,
  );
  const band = (y: number, sway: number): Point[] =>
    smooth(
      [
        [-4, y],
        [105, y - sway],
        [210, y + sway * 0.4],
        [315, y + sway],
        [424, y - sway * 0.3],
      ],
      false,
      14,
    );
  const top: Point[] = [
    [-4, 0],
    [424, 0],
  ];
  const foot: Point[] = [
    [-4, 640],
    [424, 640],
  ];
  const high = band(74, 12);
  const crest: Point[] = [
    [-4, 166],
    ...smooth(
      [
        [30, 172],
        [64, 176],
      ],
      false,
      6,
    ),
    ...smooth(
      [
        [236, 152],
        [262, 146],
        [330, 152],
        [424, 138],
      ],
      false,
      14,
    ),
  ];
  const [dawn, mid, low, shore, water, deep] = [
    band(250, 9),
    band(344, 10),
    band(408, 7),
    band(SHORE, 6),
    band(WATER, 4),
    band(590, 6),
  ] as [Point[], Point[], Point[], Point[], Point[], Point[]];
  for (const line of [high, dawn, mid, low, shore, water, deep]) s.line(line);
  s.line(crest.slice(0, 8));
  s.line(crest.slice(8));
  const fall = (above: readonly Point[], below: readonly Point[], ...points: Point[]) =>
    s.between(smooth(points, false, 10), above, below);
  fall(top, high, [96, -6], [104, 40], [98, 90]);
  fall(top, high, [208, -6], [200, 36], [206, 100]);
  fall(top, high, [322, -6], [330, 44], [324, 100]);
  fall(high, dawn, [186, 60], [190, 104], [186, 126]);
  fall(high, crest, [100, 50], [92, 116], [100, 190]);
  fall(high, crest, [300, 66], [290, 116], [298, 170]);
  fall(crest, dawn, [120, 150], [112, 206], [118, 264]);
  fall(crest, dawn, [392, 120], [384, 200], [390, 270]);
  fall(crest, dawn, [232, 140], [244, 180], [262, 200]);
  fall(dawn, mid, [84, 230], [92, 296], [84, 356]);
  fall(dawn, mid, [262, 236], [254, 300], [262, 366]);
  fall(dawn, mid, [330, 270], [338, 310], [330, 370]);
  fall(mid, low, [86, 326], [92, 372], [88, 424]);
  fall(mid, low, [352, 336], [358, 376], [352, 430]);
  fall(low, shore, [140, 392], [134, 440], [140, 486]);
  fall(shore, water, [186, 450], [180, 500], [188, 556]);
  fall(shore, water, [64, 456], [70, 500], [64, 550]);
  fall(shore, water, [306, 460], [312, 512], [300, 556]);
  fall(water, deep, [150, 520], [158, 566], [150, 610]);
  fall(water, deep, [300, 520], [292, 566], [298, 610]);
  fall(deep, foot, [190, 576], [196, 612], [190, 648]);
  fall(deep, foot, [306, 580], [300, 618], [306, 648]);
  fall(deep, foot, [140, 576], [146, 612], [140, 648]);
  return s.svg();
}

/** What a place of the drawing shows; the demo chooses its glass by it. */
export function heronPart([x, y]: Point):
  'bill' | 'cap' | 'white' | 'wing' | 'grey' | 'leg' | 'reed' | 'sun' | 'dawn' | 'sky' | 'shore' | 'water' {
  const at: Point = [x, y];
  if (contains(bill, at)) return 'bill';
  if (contains(crown, at)) return x > 208 ? 'cap' : 'white';
  if (contains(neck, at)) return 'white';
  if (contains(wing, at)) return 'wing';
  if (contains(body, at)) return 'grey';
  if (legs.some((shape) => contains(shape, at))) return 'leg';
  if (reeds.some((shape) => contains(shape, at))) return 'reed';
  if (contains(sun, at)) return 'sun';
  return y > WATER ? 'water' : y > SHORE ? 'shore' : y > 250 ? 'dawn' : 'sky';
}
