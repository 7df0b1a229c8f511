import type { BoneId, GirthId, SkinfoldId } from '../../anatomy/ids'
import type { ColumnUnit, Fact } from './headings'

/* The words that people put over columns. Common practice, no source. */

export interface Named {
  fold?: SkinfoldId
  /** What a tape or a caliper for bones reads, cm. */
  girth?: GirthId | BoneId
}

export const SITES = new Map<string, Named>()
const sites = (named: Named, names: string) => {
  for (const name of names.split('|')) SITES.set(name, named)
}
/* The names that people give to sites. Common practice, no source. */
sites({ fold: 'chest', girth: 'chest_girth' }, 'chest')
sites({ fold: 'chest' }, 'pec|pecs|pect|pectoral|pectorals|pectoralis')
sites(
  { fold: 'midaxillary' },
  'midaxillary|mid axillary|midaxilla|mid axilla|axilla|axillary|midax|mid ax|axillar',
)
sites({ fold: 'triceps' }, 'triceps|tricep|tri|tris|trizeps')
sites({ fold: 'biceps', girth: 'upper_arm_flexed' }, 'biceps|bicep|bi|bis|bizeps')
sites(
  { fold: 'subscapular' },
  'subscapular|subscapula|subscapularis|sub scapular|sub scapula|subscap|sub scap|scapula|scapular|back|upper back|subskapular',
)
sites(
  { fold: 'abdominal', girth: 'abdomen' },
  'abdominal|abdominals|abdomen|abdo|abs|ab|abd|stomach|belly|tummy|umbilical|umbilicus|navel|bauch',
)
sites(
  { fold: 'suprailiac' },
  'suprailiac|supra iliac|suprailium|supra ilium|suprailiacal|supra|suprail|hip fold|love handle|love handles',
)
sites({ fold: 'suprailiac', girth: 'iliac' }, 'iliac|ilium')
sites({ fold: 'iliac_crest', girth: 'iliac' }, 'iliac crest|iliaccrest|crest|hip crest|hip crests')
sites({ fold: 'supraspinale' }, 'supraspinale|supraspinal|supra spinale|supra spinal')
sites(
  { fold: 'thigh', girth: 'thigh_girth' },
  'thigh|thighs|upper thigh|upper leg|leg|legs|oberschenkel',
)
sites({ fold: 'thigh', girth: 'mid_thigh_girth' }, 'quad|quads|quadriceps')
sites(
  { fold: 'front_thigh', girth: 'mid_thigh_girth' },
  'front thigh|anterior thigh|mid thigh|midthigh|thigh front|thigh mid',
)
sites(
  { fold: 'medial_calf', girth: 'calf_girth' },
  'calf|calves|medial calf|inner calf|calf medial|wade',
)
sites({ fold: 'lower_back' }, 'lower back|low back|lumbar|kidney')
sites({ fold: 'cheek' }, 'cheek|bucca|buccal')
sites({ fold: 'chin' }, 'chin|submental')
sites({ fold: 'tenth_rib' }, 'tenth rib|10th rib|chest ii|chest 2')
sites({ fold: 'above_knee' }, 'above the knee|above knee|suprapatellar|knee fold')
sites({ fold: 'calf_back' }, 'back of the calf|calf back|posterior calf')
sites({ fold: 'inner_forearm' }, 'inner forearm')
sites({ fold: 'suprailiac_sloan' }, 'suprailiac sloan|suprailiac crest')
sites({ girth: 'neck' }, 'neck|hals')
sites({ girth: 'shoulders' }, 'shoulders|shoulder|schultern')
sites({ girth: 'bust' }, 'bust|breast|breasts|breast line')
sites({ girth: 'under_bust' }, 'under bust|underbust|under breast')
sites(
  { girth: 'waist' },
  'waist|natural waist|narrowest waist|waist narrowest|narrow waist|min waist|minimum waist|small waist|taille',
)
sites(
  { girth: 'waist_midway' },
  'waist midway|midway waist|mid waist|midwaist|waist mid|who waist|waist who',
)
sites(
  { girth: 'abdomen' },
  'waist navel|waist at navel|abdomen at the navel|abdomen at navel|navel waist|waist umbilicus|waist at umbilicus|abdomen navel|waist at belly button|belly button|bellybutton',
)
sites({ girth: 'iliac' }, 'waist at hip crests|at hip crests|waist iliac')
sites(
  { girth: 'hip' },
  'hip|hips|glute|glutes|gluteal|buttock|buttocks|butt|seat|hufte|huften|huefte',
)
sites({ girth: 'thigh_girth' }, 'thigh gluteal')
sites(
  { girth: 'upper_arm_relaxed' },
  'arm|arms|upper arm|upper arms|arm relaxed|relaxed arm|upper arm relaxed|relaxed upper arm|mid arm|mid upper arm|muac|biceps relaxed|bicep relaxed|relaxed biceps|relaxed bicep|arm hanging',
)
sites(
  { girth: 'upper_arm_flexed' },
  'arm flexed|flexed arm|upper arm flexed|flexed upper arm|biceps flexed|bicep flexed|flexed biceps|flexed bicep|arm tensed|tensed arm|arm flexed and tensed',
)
sites({ girth: 'forearm' }, 'forearm|forearms|lower arm')
sites({ girth: 'wrist' }, 'wrist|wrists')
sites({ girth: 'head' }, 'head')
sites({ girth: 'ankle' }, 'ankle|ankles')
sites({ girth: 'biacromial' }, 'shoulder breadth|biacromial|biacromial breadth|shoulder width')
sites(
  { girth: 'biiliocristal' },
  'hip breadth|biiliocristal|biiliocristal breadth|pelvic breadth|pelvis breadth',
)
sites(
  { girth: 'chest_breadth' },
  'chest breadth|transverse chest|transverse chest breadth|chest width',
)
sites({ girth: 'chest_depth' }, 'chest depth|a p chest|ap chest|ap chest depth|a p chest depth')
sites(
  { girth: 'humerus' },
  'elbow breadth|elbow width|humerus|humerus breadth|humerus width|biepicondylar humerus',
)
sites({ girth: 'wrist_breadth' }, 'wrist breadth|wrist width|bistyloid|bistyloid breadth')
sites(
  { girth: 'femur' },
  'knee breadth|knee width|femur|femur breadth|femur width|biepicondylar femur',
)
sites({ girth: 'ankle_breadth' }, 'ankle breadth|ankle width|bimalleolar|bimalleolar breadth')
sites({ girth: 'sitting_height' }, 'sitting height')
sites({ girth: 'arm_span' }, 'arm span|armspan|span')
sites(
  { girth: 'upper_arm_length' },
  'upper arm length|acromiale radiale|acromiale radiale length|arm length',
)
sites(
  { girth: 'forearm_length' },
  'forearm length|radiale stylion|radiale stylion length|lower arm length',
)
sites({ girth: 'hand_length' }, 'hand length|midstylion dactylion|midstylion dactylion length')
sites({ girth: 'hip_point_height' }, 'hip point height|iliospinale height')
sites({ girth: 'trochanter_height' }, 'trochanter height|trochanterion height')
sites(
  { girth: 'thigh_length' },
  'thigh length|trochanterion tibiale laterale|trochanterion tibiale laterale length',
)
sites({ girth: 'knee_height' }, 'knee height|tibiale laterale height')
sites(
  { girth: 'tibia_length' },
  'shin length|tibia length|tibiale mediale sphyrion|tibiale mediale sphyrion tibiale length',
)
sites({ girth: 'foot_length' }, 'foot length')

export const FACT_NAMES = new Map<string, Fact>()
const facts = (fact: Fact, names: string) => {
  for (const name of names.split('|')) FACT_NAMES.set(name, fact)
}
facts(
  'client',
  'client|clients|client name|name|names|full name|fullname|athlete|athlete name|member|member name|person|subject|participant|patient|trainee|player|customer|who|kunde|nom|nombre',
)
facts('first-name', 'first name|firstname|first|forename|given name|given|vorname|prenom')
facts('last-name', 'last name|lastname|last|surname|family name|nachname')
facts(
  'client-id',
  'id|client id|clientid|member id|athlete id|subject id|patient id|member no|member number|client no|client number|client code|code',
)
facts(
  'date',
  'date|dates|test date|testdate|date of test|date tested|day|measured|measured on|measurement date|date measured|date of measurement|check in|check in date|checkin|checkin date|checked|session|session date|assessment date|date of assessment|assessment|visit|visit date|when|taken|taken on|date taken|timestamp|time stamp|datum|fecha|weigh in date',
)
facts(
  'birth-date',
  'dob|d o b|birth date|birthdate|date of birth|born|born on|birthday|geburtsdatum|date of birth dob',
)
facts('birth-year', 'birth year|year of birth|yob|born year')
facts('age', 'age|alter|age at test')
facts('sex', 'sex|gender|m f|male female|mf|f m|geschlecht|sexe|sexo')
facts('height', 'height|ht|stature|body height|grosse|groesse|korpergrosse|taille debout|hgt')
facts(
  'mass',
  'weight|wt|wgt|body weight|bodyweight|bw|mass|body mass|bodymass|scale|scale weight|weigh in|weighin|gewicht|poids|peso|bwt',
)
facts(
  'fat',
  'body fat|bodyfat|bf|fat|percent fat|percent body fat|percentage body fat|body fat percentage|body fat percent|fat percent|fat percentage|pbf|bf percent|est body fat|estimated body fat|korperfett|calc body fat|total body fat',
)
facts('equation', 'equation|formula|method|test method')
facts('protocol', 'protocol|set')
facts('tester-skill', 'tester skill')
facts('event', 'event|phase')
facts('week-ends-on', 'week ends on')
facts('percentages', 'percentages')
facts('group-term', 'group term')
facts('cadence', 'cadence days|days between check ins')
facts('conversion', 'conversion|density conversion')
facts('standard', 'standard|landmark standard|school')
facts(
  'tester',
  'tester|measured by|measurer|coach|trainer|taken by|by|assessor|assessed by|tested by|staff|operator|instructor|initials|examiner',
)
facts('caliper-graduation', 'caliper graduation mm|caliper graduation')
facts('tape', 'tape')
facts('tape-graduation', 'tape graduation cm|tape graduation')
facts('caliper', 'caliper|calipers|calliper|callipers|instrument|device|tool')
facts(
  'note',
  'note|notes|comment|comments|remark|remarks|observation|observations|memo|feedback|bemerkung|notizen|coach notes',
)
facts(
  'site',
  'site|sites|measurement|measure|location|skinfold site|body part|bodypart|measurement site|what|parameter|metric',
)
facts('trial', 'trial|attempt|rep|take|pass|round|reading no|reading number|trial no|trial number')
facts('value', 'value|reading|result|amount|score|measured value|wert')
facts('unit', 'unit|units|uom')
facts(
  'worked-out',
  'sum|total|sum of|sum of skinfolds|sum of folds|skinfold sum|fold sum|sum skinfolds|total skinfolds|skinfold total|sigma|density|body density|bd|db|fat mass|fm|fat weight|lean mass|lean|lbm|lean body mass|lean weight|ffm|fat free mass|bmi|body mass index|whr|whtr|waist hip ratio|waist to hip|waist hip|ratio|change|diff|difference|delta|loss|lost|gain|goal|target|bmr|rmr|tdee|kcal|calories|ffmi|fmi|lm|muscle mass|week|wk|week no|week number|class|category|rating|classification|fat lost|days|mass days',
)

/** Words that tell nothing, wherever they stand. */
export const FILLERS = new Set(
  'the of a an client s clients your test in on for est measured no'.split(' '),
)

export const FOLD_WORDS = new Set(
  'skinfold skinfolds fold folds sf skf caliper calipers calliper pinch skin hautfalte'.split(' '),
)
export const GIRTH_WORDS = new Set(
  'girth girths circ circumference circumferences tape perimeter umfang cir circumf'.split(' '),
)
export const SIDES = new Set('right left r l rt lt rhs lhs'.split(' '))
export const FINAL = new Set('avg average mean median final used ave best'.split(' '))
export const TRIAL_WORDS = new Set(
  'trial reading rep attempt take pass measure round t r m test no'.split(' '),
)
export const ORDINALS = new Map([
  ['1st', 1],
  ['2nd', 2],
  ['3rd', 3],
  ['first', 1],
  ['second', 2],
  ['third', 3],
])

export const UNITS: Readonly<Record<string, ColumnUnit>> = {
  mm: 'mm',
  millimeters: 'mm',
  millimetres: 'mm',
  millimeter: 'mm',
  cm: 'cm',
  cms: 'cm',
  centimeters: 'cm',
  centimetres: 'cm',
  m: 'm',
  in: 'in',
  ins: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  zoll: 'in',
  'ft/in': 'ft in',
  'ft in': 'ft in',
  'ft-in': 'ft in',
  'st/lb': 'st lb',
  'st lb': 'st lb',
  ft: 'ft in',
  feet: 'ft in',
  kg: 'kg',
  kgs: 'kg',
  kilos: 'kg',
  kilograms: 'kg',
  lb: 'lb',
  lbs: 'lb',
  pounds: 'lb',
  pound: 'lb',
  st: 'st lb',
  stone: 'st lb',
  '%': '%',
  pct: '%',
  percent: '%',
  percentage: '%',
}
/** Units that are words besides: they count in brackets and at the end. */
export const ALSO_WORDS = new Set(['in', 'm', 'st', 'ft'])
