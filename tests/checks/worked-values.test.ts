import { expect, test } from 'vitest'
import { EQUATIONS, estimate, type Sex, type Subject, type Values } from '#core'

/*
 * A value of each form that was worked out apart from the code: the line above it is the printed form with numbers in
 * place (coefficients as the registry's citations have them, from memory), and what a calculator makes of it. Densities
 * go by Siri.
 */
const tenFolds = (sum: number): Values =>
  Object.fromEntries(
    [
      ...['cheek', 'chin', 'chest', 'tenth_rib', 'triceps', 'subscapular'],
      ...['abdominal', 'suprailiac', 'above_knee', 'calf_back'],
    ].map((site) => [site, sum / 10]),
  )

const WORKED: [id: string, sex: Sex, Omit<Subject, 'sex'>, Values, fatPercent: number][] = [
  // 0.465 + 0.18*105 - 0.0002406*105^2 + 0.06619*40 = 19.360
  [
    'ball-7',
    'male',
    { ageYears: 40 },
    {
      chest: 12,
      midaxillary: 14,
      triceps: 12,
      subscapular: 15,
      abdominal: 22,
      suprailiac: 15,
      thigh: 15,
    },
    19.36,
  ],
  // -6.40665 + 0.41946*65 - 0.00126*65^2 + 0.12515*98 + 0.06473*35 = 30.065
  [
    'ball-3-hip',
    'female',
    { ageYears: 35 },
    { triceps: 20, suprailiac: 18, thigh: 27, hip: 98 },
    30.065,
  ],
  // 20.94878 + 0.1166*30 - 0.11666*180 + 0.42696*60 - 0.00159*60^2 = 23.342
  [
    'peterson-4',
    'male',
    { ageYears: 30, heightCm: 180 },
    { triceps: 12, subscapular: 14, suprailiac: 16, thigh: 18 },
    23.342,
  ],
  // 22.18945 + 0.06368*30 + 0.60404*25 - 0.1452*160 + 0.30919*80 - 0.00099562*80^2 = 34.332
  [
    'peterson-4',
    'female',
    { ageYears: 30, heightCm: 160, massKg: 64 },
    { triceps: 20, subscapular: 16, suprailiac: 18, thigh: 26 },
    34.332,
  ],
  // 1.10326 - 0.00031*30 - 0.00036*75 = 1.066960; 495/1.066960 - 450 = 13.935
  [
    'withers-6',
    'male',
    { ageYears: 30 },
    {
      triceps: 10,
      subscapular: 12,
      supraspinale: 10,
      abdominal: 20,
      front_thigh: 14,
      medial_calf: 9,
    },
    13.935,
  ],
  // 1.10726863 - 0.00081201*55 + 0.00000212*55^2 - 0.00041761*30 = 1.056493; 495/1.056493 - 450 = 18.531
  [
    'petroski-4',
    'male',
    { ageYears: 30 },
    { subscapular: 15, triceps: 12, suprailiac: 18, medial_calf: 10 },
    18.531,
  ],
  // 1.1954713 - 0.07513507*log(85) - 0.00041072*30 = 1.038183; 495/1.038183 - 450 = 26.795
  [
    'petroski-4',
    'female',
    { ageYears: 30 },
    { midaxillary: 15, suprailiac: 20, thigh: 30, medial_calf: 20 },
    26.795,
  ],
  // 1.17136 - 0.06706*log(45) = 1.060496; 495/1.060496 - 450 = 16.763
  ['guedes-3', 'male', { ageYears: 22 }, { triceps: 10, suprailiac: 15, abdominal: 20 }, 16.763],
  // 1.1665 - 0.07063*log(57) = 1.042483; 495/1.042483 - 450 = 24.828
  ['guedes-3', 'female', { ageYears: 22 }, { thigh: 25, suprailiac: 18, subscapular: 14 }, 24.828],
  // 1.08543 - 0.000886*20 - 0.0004*15 = 1.061710; 495/1.061710 - 450 = 16.229
  ['wilmore-behnke-folds', 'male', { ageYears: 22 }, { abdominal: 20, thigh: 15 }, 16.229],
  // 1.06234 - 0.00068*15 - 0.00039*20 - 0.00025*28 = 1.037340; 495/1.037340 - 450 = 27.182
  [
    'wilmore-behnke-folds',
    'female',
    { ageYears: 22 },
    { subscapular: 15, triceps: 20, thigh: 28 },
    27.182,
  ],
  // 100*(1 - (44.636 + 1.0817*80 - 0.7396*85)/80) = 14.618
  ['wilmore-behnke-lean', 'male', { ageYears: 22, massKg: 80 }, { abdomen: 85 }, 14.618],
  // 100*(1 - (8.629 + 0.68*60 - 0.163*15 - 0.1*20 - 0.054*28)/60) = 27.547
  [
    'wilmore-behnke-lean',
    'female',
    { ageYears: 22, massKg: 60 },
    { subscapular: 15, triceps: 20, thigh: 28 },
    27.547,
  ],
  // 1.09665 - 0.00103*10 - 0.00056*12 - 0.00054*18 = 1.069910; 495/1.069910 - 450 = 12.656
  [
    'katch-mcardle-3',
    'male',
    { ageYears: 22 },
    { triceps: 10, subscapular: 12, abdominal: 18 },
    12.656,
  ],
  // 1.09246 - 0.00049*12 - 0.00075*16 + 0.0071*6.2 - 0.00121*56 = 1.050840; 495/1.050840 - 450 = 21.052
  [
    'katch-mcardle-2-elbow',
    'female',
    { ageYears: 22 },
    { subscapular: 12, suprailiac: 16, humerus: 6.2, thigh_girth: 56 },
    21.052,
  ],
  // 3.64 + 0.097*75 = 10.915
  [
    'yuhasz-6',
    'male',
    { ageYears: 22 },
    {
      triceps: 10,
      subscapular: 12,
      supraspinale: 10,
      abdominal: 20,
      front_thigh: 14,
      medial_calf: 9,
    },
    10.915,
  ],
  // 4.56 + 0.143*100 = 18.860
  [
    'yuhasz-6',
    'female',
    { ageYears: 22 },
    {
      triceps: 15,
      subscapular: 12,
      supraspinale: 13,
      abdominal: 20,
      front_thigh: 25,
      medial_calf: 15,
    },
    18.86,
  ],
  // 1.161 - 0.0632*log(50) = 1.053625; 495/1.053625 - 450 = 19.807
  [
    'durnin-rahaman-4',
    'male',
    { ageYears: 25 },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    19.807,
  ],
  // 1.1581 - 0.072*log(50) = 1.035774; 495/1.035774 - 450 = 27.903
  [
    'durnin-rahaman-4',
    'female',
    { ageYears: 25 },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    27.903,
  ],
  // 1.1533 - 0.0643*log(50) = 1.044056; 495/1.044056 - 450 = 24.112
  [
    'durnin-rahaman-youth',
    'male',
    { ageYears: 14 },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    24.112,
  ],
  // 1.1369 - 0.0598*log(50) = 1.035302; 495/1.035302 - 450 = 28.122
  [
    'durnin-rahaman-youth',
    'female',
    { ageYears: 14 },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    28.122,
  ],
  // 0.567*95 + 0.101*40 - 31.8 = 26.105
  ['lean-waist', 'male', { ageYears: 40 }, { waist_midway: 95 }, 26.105],
  // 0.439*80 + 0.221*40 - 9.4 = 34.560
  ['lean-waist', 'female', { ageYears: 40 }, { waist_midway: 80 }, 34.56],
  // 0.353*95 + 0.756*12 + 0.235*40 - 26.4 = 25.607
  ['lean-waist-triceps', 'male', { ageYears: 40 }, { waist_midway: 95, triceps: 12 }, 25.607],
  // 0.232*80 + 0.657*20 + 0.215*40 - 5.5 = 34.800
  ['lean-waist-triceps', 'female', { ageYears: 40 }, { waist_midway: 80, triceps: 20 }, 34.8],
  // 100*(-98.42 + 4.15*36 - 0.082*200)/200 = 17.290
  ['ymca-tape', 'male', { massKg: 90.718474 }, { abdomen: 91.44 }, 17.29],
  // 100*(-76.76 + 4.15*30 - 0.082*140)/140 = 25.900
  ['ymca-tape', 'female', { massKg: 63.5029318 }, { abdomen: 76.2 }, 25.9],
  // 1.10647 - 0.00162*12 - 0.00144*14 - 0.00077*9 + 0.00071*8 = 1.065620; 495/1.065620 - 450 = 14.518
  [
    'forsyth-sinning-4',
    'male',
    { ageYears: 20 },
    { subscapular: 12, abdominal: 14, triceps: 9, midaxillary: 8 },
    14.518,
  ],
  // 1.103 - 0.00168*12 - 0.00127*14 = 1.065060; 495/1.065060 - 450 = 14.763
  ['forsyth-sinning-2', 'male', { ageYears: 20 }, { subscapular: 12, abdominal: 14 }, 14.763],
  // 100*(331.5*15 + 356.2*12 + 111.9*80 - 9108)/80000 = 11.364
  [
    'stewart-hannan-2',
    'male',
    { ageYears: 25, massKg: 80 },
    { abdominal: 15, front_thigh: 12 },
    11.364,
  ],
  // 1.1091 - 0.00052*70 + 0.00000032*70^2 = 1.074268; 495/1.074268 - 450 = 10.779
  [
    'thorland-7',
    'male',
    { ageYears: 17 },
    {
      triceps: 9,
      subscapular: 9,
      midaxillary: 8,
      suprailiac: 10,
      abdominal: 13,
      thigh: 12,
      medial_calf: 9,
    },
    10.779,
  ],
  // 1.1046 - 0.00059*100 + 0.0000006*100^2 = 1.051600; 495/1.051600 - 450 = 20.711
  [
    'thorland-7',
    'female',
    { ageYears: 16 },
    {
      triceps: 14,
      subscapular: 11,
      midaxillary: 10,
      suprailiac: 14,
      abdominal: 16,
      thigh: 22,
      medial_calf: 13,
    },
    20.711,
  ],
  // 1.1136 - 0.00154*25 + 0.00000516*25^2 = 1.078325; 495/1.078325 - 450 = 9.045
  ['thorland-3', 'male', { ageYears: 17 }, { triceps: 9, subscapular: 9, midaxillary: 7 }, 9.045],
  // 1.0987 - 0.00122*40 + 0.00000263*40^2 = 1.054108; 495/1.054108 - 450 = 19.591
  [
    'thorland-3',
    'female',
    { ageYears: 16 },
    { triceps: 15, subscapular: 12, suprailiac: 13 },
    19.591,
  ],
  // 1.0982 - 0.000815*30 + 0.00000084*30^2 = 1.074506; 495/1.074506 - 450 = 10.677
  [
    'lohman-wrestlers',
    'male',
    { ageYears: 17 },
    { triceps: 8, subscapular: 10, abdominal: 12 },
    10.677,
  ],
  // 5.174 + 0.124*11 + 0.147*14 + 0.196*8 + 0.13*6 = 10.944
  [
    'reilly-4',
    'male',
    { ageYears: 24 },
    { front_thigh: 11, abdominal: 14, triceps: 8, medial_calf: 6 },
    10.944,
  ],
  // 0.0186 - 0.03*log(20) + 1.0481 = 1.027669; 495/1.027669 - 450 = 31.673
  ['visser-2', 'male', { ageYears: 70 }, { biceps: 7, triceps: 13 }, 31.673],
  // -0.03*log(34) + 1.0481 = 1.002156; 495/1.002156 - 450 = 43.935
  ['visser-2', 'female', { ageYears: 70 }, { biceps: 12, triceps: 22 }, 43.935],
  // 1.35*20 - 0.012*20^2 - 4.4 = 17.800
  ['boileau-2', 'male', { ageYears: 12 }, { triceps: 11, subscapular: 9 }, 17.8],
  // 1.35*25 - 0.012*25^2 - 2.4 = 23.850
  ['boileau-2', 'female', { ageYears: 12 }, { triceps: 14, subscapular: 11 }, 23.85],
  // 1.21*20 - 0.008*20^2 - 3.4 = 17.600
  ['slaughter-2', 'male', { ageYears: 13, puberty: 'in' }, { triceps: 11, subscapular: 9 }, 17.6],
  // 0.783*40 + 1.6 = 32.920
  ['slaughter-2', 'male', { ageYears: 13, puberty: 'in' }, { triceps: 22, subscapular: 18 }, 32.92],
  // 1.33*25 - 0.013*25^2 - 2.5 = 22.625
  ['slaughter-2', 'female', { ageYears: 13 }, { triceps: 14, subscapular: 11 }, 22.625],
  // 0.546*40 + 9.7 = 31.540
  ['slaughter-2', 'female', { ageYears: 13 }, { triceps: 22, subscapular: 18 }, 31.54],
  // 1.51*20 - 0.7*12 - 3.6 + 1.4 = 19.600
  ['deurenberg-bmi-youth', 'male', { ageYears: 12, heightCm: 150, massKg: 45 }, {}, 19.6],
  // 1.51*20 - 0.7*12 + 1.4 = 23.200
  ['deurenberg-bmi-youth', 'female', { ageYears: 12, heightCm: 150, massKg: 45 }, {}, 23.2],
  // 1.1133 - 0.0561*log(50) + 0.0017*10 = 1.034988; 495/1.034988 - 450 = 28.267
  [
    'deurenberg-4-youth',
    'male',
    { ageYears: 10, puberty: 'before' },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    28.267,
  ],
  // 1.0555 - 0.0352*log(50) + 0.0038*13 = 1.045096; 495/1.045096 - 450 = 23.641
  [
    'deurenberg-4-youth',
    'male',
    { ageYears: 13, puberty: 'in' },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    23.641,
  ],
  // 1.1074 - 0.0504*log(50) + 0.0016*13 = 1.042572; 495/1.042572 - 450 = 24.787
  [
    'deurenberg-4-youth',
    'female',
    { ageYears: 13, puberty: 'in' },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    24.787,
  ],
  // 1.183 - 0.0813*log(50) = 1.044874; 495/1.044874 - 450 = 23.741
  [
    'deurenberg-4-youth',
    'female',
    { ageYears: 17, puberty: 'after' },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    23.741,
  ],
  // 1.169 - 0.0788*log(28) = 1.054964; 495/1.054964 - 450 = 19.210
  [
    'brook-4',
    'male',
    { ageYears: 8 },
    { biceps: 5, triceps: 9, subscapular: 6, iliac_crest: 8 },
    19.21,
  ],
  // 1.2063 - 0.0999*log(34) = 1.053305; 495/1.053305 - 450 = 19.949
  [
    'brook-4',
    'female',
    { ageYears: 8 },
    { biceps: 6, triceps: 11, subscapular: 7, iliac_crest: 10 },
    19.949,
  ],
  // 64.5 - 848/25 + 0.079*40 - 16.4 + 0.05*40 + 39/25 = 20.900
  ['gallagher-bmi', 'male', { ageYears: 40, heightCm: 200, massKg: 100 }, {}, 20.9],
  // 64.5 - 848/25 + 0.079*40 = 33.740
  ['gallagher-bmi', 'female', { ageYears: 40, heightCm: 160, massKg: 64 }, {}, 33.74],
  // -44.988 + 0.503*40 + 3.172*25 - 0.026*25^2 - 0.02*25*40 + 0.00021*25^2*40 = 23.432
  ['gomez-ambrosi-bmi', 'male', { ageYears: 40, heightCm: 200, massKg: 100 }, {}, 23.432],
  // -44.988 + 0.503*40 + 10.689 + 3.172*25 - 0.026*25^2 + 0.181*25 - 0.02*25*40 - 0.005*25^2 + 0.00021*25^2*40 = 35.521
  ['gomez-ambrosi-bmi', 'female', { ageYears: 40, heightCm: 160, massKg: 64 }, {}, 35.521],
  // 100/1.8^1.5 - 18 = 23.409
  ['adiposity-index', 'male', { heightCm: 180 }, { hip: 100 }, 23.409],
  // 100/1.6^1.5 - 18 = 31.411
  ['adiposity-index', 'female', { heightCm: 160 }, { hip: 100 }, 31.411],
  // 1.112 - 0.00043499*105 + 0.00000055*105^2 - 0.00028826*40 = 1.060859; 495/1.060859 - 450 = 16.603
  [
    'jackson-pollock-7',
    'male',
    { ageYears: 40 },
    {
      chest: 12,
      midaxillary: 14,
      triceps: 12,
      subscapular: 15,
      abdominal: 22,
      suprailiac: 15,
      thigh: 15,
    },
    16.603,
  ],
  // 1.097 - 0.00046971*105 + 0.00000056*105^2 - 0.00012828*40 = 1.048723; 495/1.048723 - 450 = 22.003
  [
    'jackson-pollock-7',
    'female',
    { ageYears: 40 },
    {
      chest: 12,
      midaxillary: 14,
      triceps: 12,
      subscapular: 15,
      abdominal: 22,
      suprailiac: 15,
      thigh: 15,
    },
    22.003,
  ],
  // 1.10938 - 0.0008267*49 + 0.0000016*49^2 - 0.0002574*40 = 1.062417; 495/1.062417 - 450 = 15.919
  ['jackson-pollock-3', 'male', { ageYears: 40 }, { chest: 12, abdominal: 22, thigh: 15 }, 15.919],
  // 1.0994921 - 0.0009929*65 + 0.0000023*65^2 - 0.0001392*40 = 1.039103; 495/1.039103 - 450 = 26.372
  [
    'jackson-pollock-3',
    'female',
    { ageYears: 40 },
    { triceps: 20, suprailiac: 18, thigh: 27 },
    26.372,
  ],
  // 1.1125025 - 0.0013125*39 + 0.0000055*39^2 - 0.000244*40 = 1.059921; 495/1.059921 - 450 = 17.016
  [
    'jackson-pollock-3-upper',
    'male',
    { ageYears: 40 },
    { chest: 12, triceps: 12, subscapular: 15 },
    17.016,
  ],
  // 1.089733 - 0.0009245*60 + 0.0000025*60^2 - 0.0000979*40 = 1.039347; 495/1.039347 - 450 = 26.261
  [
    'jackson-pollock-3-upper',
    'female',
    { ageYears: 40 },
    { triceps: 20, suprailiac: 18, abdominal: 22 },
    26.261,
  ],
  // 1.096095 - 0.0006952*75 + 0.0000011*75^2 - 0.0000714*40 = 1.047287; 495/1.047287 - 450 = 22.650
  [
    'jackson-pollock-4',
    'female',
    { ageYears: 40 },
    { triceps: 15, abdominal: 22, suprailiac: 16, thigh: 22 },
    22.65,
  ],
  // 0.29288*75 - 0.0005*75^2 + 0.15845*40 - 5.76377 = 19.728
  [
    'jackson-pollock-4-direct',
    'male',
    { ageYears: 40 },
    { triceps: 15, abdominal: 22, suprailiac: 16, thigh: 22 },
    19.728,
  ],
  // 0.29669*75 - 0.00043*75^2 + 0.02963*40 + 1.4072 = 22.425
  [
    'jackson-pollock-4-direct',
    'female',
    { ageYears: 40 },
    { triceps: 15, abdominal: 22, suprailiac: 16, thigh: 22 },
    22.425,
  ],
  // 0.39287*53 - 0.00105*53^2 + 0.15772*40 - 5.18845 = 18.993
  [
    'jackson-pollock-3-direct',
    'male',
    { ageYears: 40 },
    { triceps: 15, abdominal: 22, suprailiac: 16 },
    18.993,
  ],
  // 0.41563*53 - 0.00112*53^2 + 0.03661*40 + 4.03653 = 24.383
  [
    'jackson-pollock-3-direct',
    'female',
    { ageYears: 40 },
    { triceps: 15, abdominal: 22, suprailiac: 16 },
    24.383,
  ],
  // 1.1422 - 0.0544*log(50) = 1.049776; 495/1.049776 - 450 = 21.529
  [
    'durnin-womersley-4',
    'male',
    { ageYears: 35 },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    21.529,
  ],
  // 1.1333 - 0.0612*log(50) = 1.029323; 495/1.029323 - 450 = 30.899
  [
    'durnin-womersley-4',
    'female',
    { ageYears: 45 },
    { biceps: 6, triceps: 12, subscapular: 14, iliac_crest: 18 },
    30.899,
  ],
  // 1.0988 - 0.0004*60 = 1.074800; 495/1.074800 - 450 = 10.551
  [
    'withers-7',
    'male',
    { ageYears: 25 },
    {
      triceps: 8,
      subscapular: 9,
      biceps: 4,
      supraspinale: 7,
      abdominal: 12,
      front_thigh: 11,
      medial_calf: 9,
    },
    10.551,
  ],
  // 1.17484 - 0.07229*log(45) = 1.055329; 495/1.055329 - 450 = 19.048
  [
    'withers-4',
    'female',
    { ageYears: 25 },
    { triceps: 13, subscapular: 10, supraspinale: 10, medial_calf: 12 },
    19.048,
  ],
  // 0.1051*54 + 2.585 = 8.260
  [
    'carter-6',
    'male',
    {},
    { triceps: 8, subscapular: 9, supraspinale: 7, abdominal: 12, front_thigh: 10, medial_calf: 8 },
    8.26,
  ],
  // 0.1548*80 + 3.58 = 15.964
  [
    'carter-6',
    'female',
    {},
    {
      triceps: 13,
      subscapular: 10,
      supraspinale: 10,
      abdominal: 15,
      front_thigh: 20,
      medial_calf: 12,
    },
    15.964,
  ],
  // 0.153*36 + 5.783 = 11.291
  [
    'faulkner-4',
    'male',
    {},
    { triceps: 8, subscapular: 9, supraspinale: 7, abdominal: 12 },
    11.291,
  ],
  // 10.566 + 0.12077*105 - 8.057 = 15.190
  [
    'evans-7',
    'male',
    { ageYears: 20 },
    {
      chest: 12,
      midaxillary: 14,
      triceps: 12,
      subscapular: 15,
      abdominal: 22,
      suprailiac: 15,
      thigh: 15,
    },
    15.19,
  ],
  // 10.566 + 0.12077*105 = 23.247
  [
    'evans-7',
    'female',
    { ageYears: 20 },
    {
      chest: 12,
      midaxillary: 14,
      triceps: 12,
      subscapular: 15,
      abdominal: 22,
      suprailiac: 15,
      thigh: 15,
    },
    23.247,
  ],
  // 8.997 + 0.24658*40 - 6.343 = 12.517
  ['evans-3', 'male', { ageYears: 20 }, { abdominal: 16, thigh: 14, triceps: 10 }, 12.517],
  // 8.997 + 0.24658*40 = 18.860
  ['evans-3', 'female', { ageYears: 20 }, { abdominal: 16, thigh: 14, triceps: 10 }, 18.86],
  // 1.1043 - 0.001327*14 - 0.00131*12 = 1.070002; 495/1.070002 - 450 = 12.616
  ['sloan-2', 'male', { ageYears: 22 }, { thigh: 14, subscapular: 12 }, 12.616],
  // 1.0764 - 0.00081*14 - 0.00088*18 = 1.049220; 495/1.049220 - 450 = 21.779
  ['sloan-2', 'female', { ageYears: 20 }, { suprailiac_sloan: 14, triceps: 18 }, 21.779],
  // 0.735*22 + 1 = 17.170
  ['slaughter-2-calf', 'male', { ageYears: 12 }, { triceps: 12, medial_calf: 10 }, 17.17],
  // 0.61*30 + 5.1 = 23.400
  ['slaughter-2-calf', 'female', { ageYears: 12 }, { triceps: 16, medial_calf: 14 }, 23.4],
  // 27*62/180 = 9.300
  [
    'nine-site-ratio',
    'male',
    { massKg: 81.6466266 },
    {
      chest: 5,
      abdominal: 9,
      thigh: 8,
      biceps: 3,
      triceps: 6,
      subscapular: 8,
      suprailiac: 7,
      lower_back: 10,
      medial_calf: 6,
    },
    9.3,
  ],
  // 27*62/140 = 11.957
  [
    'nine-site-ratio',
    'female',
    { massKg: 63.5029318 },
    {
      chest: 5,
      abdominal: 9,
      thigh: 8,
      biceps: 3,
      triceps: 6,
      subscapular: 8,
      suprailiac: 7,
      lower_back: 10,
      medial_calf: 6,
    },
    11.957,
  ],
  // 1.0324 - 0.19077*log(50) + 0.15456*log(178) = 1.056112; 495/1.056112 - 450 = 18.700
  ['hodgdon-beckett', 'male', { ageYears: 30, heightCm: 178 }, { neck: 38, abdomen: 88 }, 18.7],
  // 1.29579 - 0.35004*log(140) + 0.221*log(165) = 1.034623; 495/1.034623 - 450 = 28.435
  [
    'hodgdon-beckett',
    'female',
    { ageYears: 30, heightCm: 165 },
    { neck: 32, waist: 74, hip: 98 },
    28.435,
  ],
  // 86.01*log(20) - 70.041*log(70) + 36.76 = 19.429
  ['navy-inch', 'male', { ageYears: 30, heightCm: 177.8 }, { neck: 38.1, abdomen: 88.9 }, 19.429],
  // 163.205*log(54) - 97.684*log(65) - 78.387 = 27.256
  [
    'navy-inch',
    'female',
    { ageYears: 30, heightCm: 165.1 },
    { neck: 33.02, waist: 73.66, hip: 96.52 },
    27.256,
  ],
  // -26.97 - 0.12*200 + 1.99*36 = 20.670
  ['army-one-site', 'male', { massKg: 90.718474 }, { abdomen: 91.44 }, 20.67],
  // -9.15 - 0.015*140 + 1.27*32 = 29.390
  ['army-one-site', 'female', { massKg: 63.5029318 }, { abdomen: 81.28 }, 29.39],
  // -47.371817 + 0.57914807*95 + 0.25189114*102 + 0.21366088*94 - 0.35595404*85 = 23.168
  [
    'tran-weltman',
    'male',
    { ageYears: 40, massKg: 85 },
    { abdomen: 95, hip: 102, iliac: 94 },
    23.168,
  ],
  // 1.168297 - 0.002824*80 + 0.0000122098*80^2 - 0.000733128*100 + 0.000510477*165 - 0.000216161*40 = 1.022789; 495/1.022789 - 450 = 33.971
  ['tran-weltman', 'female', { ageYears: 40, heightCm: 165 }, { abdomen: 80, hip: 100 }, 33.971],
  // 1.21142 + 0.00085*85 - 0.0005*94 - 0.00061*102 - 0.00138*95 = 1.043350; 495/1.043350 - 450 = 24.433
  [
    'tran-weltman-density',
    'male',
    { ageYears: 40, massKg: 85 },
    { abdomen: 95, hip: 102, iliac: 94 },
    24.433,
  ],
  // 0.31457*125 - 0.10969*120 + 10.8336 = 36.992
  ['weltman-obese', 'male', { ageYears: 40, massKg: 120 }, { abdomen: 125 }, 36.992],
  // 0.11077*112 - 0.17666*165 + 0.14354*100 + 51.03301 = 48.644
  [
    'weltman-obese',
    'female',
    { ageYears: 40, heightCm: 165, massKg: 100 },
    { abdomen: 112 },
    48.644,
  ],
  // 64 - 20*180/90 = 24.000
  ['relative-fat-mass', 'male', { ageYears: 40, heightCm: 180 }, { iliac: 90 }, 24.0],
  // 76 - 20*165/82.5 = 36.000
  ['relative-fat-mass', 'female', { ageYears: 40, heightCm: 165 }, { iliac: 82.5 }, 36.0],
  // 1.2*25 + 0.23*40 - 10.8 - 5.4 = 23.000
  ['deurenberg-bmi', 'male', { ageYears: 40, heightCm: 200, massKg: 100 }, {}, 23.0],
  // 1.14075 - 0.04959*log10(60) + 0.00044*25 - 0.000612*70 + 0.000284*165 - 0.000505*96 + 0.000331*88 = 1.048239;
  // 495/1.048239 - 450 = 22.220
  [
    'withers-4-girths',
    'female',
    { ageYears: 25, heightCm: 165 },
    {
      ...{ triceps: 18, subscapular: 14, supraspinale: 13, medial_calf: 15 },
      ...{ waist: 70, hip: 96, bust: 88 },
    },
    22.22,
  ],
  // 22.32*log10(100) - 29 = 15.640
  ['parizkova-10', 'male', { ageYears: 25 }, tenFolds(100), 15.64],
  // 39.572*log10(150) - 61.25 = 24.862
  ['parizkova-10', 'female', { ageYears: 25 }, tenFolds(150), 24.862],
  // 1.2*25 + 0.23*40 - 5.4 = 33.800
  ['deurenberg-bmi', 'female', { ageYears: 40, heightCm: 160, massKg: 64 }, {}, 33.8],
]

test.each(WORKED)('%s, %s', (id, sex, body, values, fatPercent) => {
  expect(estimate(id, { sex, ...body }, values).fatPercent).toBeCloseTo(fatPercent, 2)
})

test('no form is without one', () => {
  const forms = EQUATIONS.flatMap(({ id, variants }) => variants.map(({ sex }) => `${id} ${sex}`))
  expect(forms.filter((form) => !WORKED.some(([id, sex]) => form === `${id} ${sex}`))).toEqual([])
})
