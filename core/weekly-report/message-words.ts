import type { KnownGirth } from '../anatomy/ids'
import type { Cue } from './message-tokens'

/* The words of a message, as patterns that are tried at one place after another. */

export const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ')
export const WEEKDAYS = 'mon tue wed thu fri sat sun'.split(' ')

export const TWO_LETTERS = WEEKDAYS.map((day) => day.slice(0, 2))

export const MONTH = String.raw`(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)\b\.?`
export const WEEKDAY = String.raw`(?:mon(?:days?)?|tue(?:s(?:days?)?)?|wed(?:s|nesdays?)?|thu(?:r(?:s(?:days?)?)?)?|fri(?:days?)?|sat(?:urdays?)?|sun(?:days?)?)\b\.?`
/** A day of the month with its ending: 13st is thirteen stone. */
export const ORDINAL = String.raw`([23]?1(?=st)|2?2(?=nd)|2?3(?=rd)|(?:1\d|2?[04-9]|30)(?=th))(?:st|nd|rd|th)\b`
export const YEAR = String.raw`(?:,? ?(\d{4}))?(?![\d.,]*\d)`
export const FRACTION = String.raw`[½¼¾⅓⅔⅛⅜⅝⅞]`
export const NUMBER = String.raw`(?:\d+ ?${FRACTION}|${FRACTION}|\d+(?: |-| and )\d{1,2}/(?:16|8|4|2)(?!\d)|\d+ and a (?:half|quarter)\b|\d{1,3}(?:,\d{3})+(?![.,]?\d)|\d+(?:[.,]\d{1,3})?|\.\d+)`
export const MASS_UNIT = String.raw`(?:kgs?|kilos?|kilograms?|kilogrammes?|lbs?|pounds?|#)(?![a-z])`
export const STONE = String.raw`(?:st(?:one|ones)?)(?![a-z])`
/** Up to 13, with a part. */
export const POUNDS_OF_STONE = String.raw`(?:1[0-3]|\d)(?: ?${FRACTION}| \d/\d|[.,]\d{1,2})?`
export const LENGTH_UNIT = String.raw`(?:cms?|centimet(?:er|re)s?|mms?|millimet(?:er|re)s?|inch(?:es)?|ins?)(?![a-z])|''|["”″“]`
export const OTHER_UNIT = String.raw`(?:steps?|hours?|hrs?|h|minutes?|mins?|seconds?|secs?|kms?|kilomet(?:er|re)s?|miles?|mi|m|met(?:er|re)s|kcals?|cals?|calories|kj|grams?|g|mg|ml|l|lit(?:er|re)s?|oz|ounces?|bpm|x|reps?|sets?|rounds?|days?|weeks?|wks?|months?|years?|yrs?|degrees|beers?|drinks?|cups?|glasses|eggs?|meals?|snacks?|sessions?|workouts?|runs?|times?|people|squats|push-?ups|pull-?ups|sit-?ups|flights?|floors?|points?|pts?|portions?|pills?|tablets?|watts?|w|k)(?![a-z])|[%°$£€]`

export const GIRTH_WORDS: [RegExp, KnownGirth][] = [
  [
    /(?:waist|tape|girth)[ ,(]+(?:(?:at|over|round|around|on) (?:the |my )?)?(?:navel|belly ?button|bellybutton|umbilicus)\)?/iy,
    'abdomen',
  ],
  [/(?:navel|belly ?button|belly|tummy|stomach|abdomen|abdominal|abs)\b/iy, 'abdomen'],
  [/waist(?:line)?s?\b/iy, 'waist'],
  [/(?:hips?|butt|glutes|bum|seat)\b/iy, 'hip'],
  [/mid[ -]?thighs?\b/iy, 'mid_thigh_girth'],
  [/(?:thighs?|upper legs?)\b/iy, 'thigh_girth'],
  [/(?:calf|calves)\b/iy, 'calf_girth'],
  [/under ?-?bust\b/iy, 'under_bust'],
  [/bust\b/iy, 'bust'],
  [/chest\b/iy, 'chest_girth'],
  [/shoulders?\b/iy, 'shoulders'],
  [
    /(?:flexed (?:upper )?(?:arms?|biceps?)|(?:upper )?(?:arms?|biceps?) flexed)\b/iy,
    'upper_arm_flexed',
  ],
  [/forearms?\b/iy, 'forearm'],
  [/(?:upper[ -]?arms?|arms?|biceps?)\b/iy, 'upper_arm_relaxed'],
  [/neck\b/iy, 'neck'],
  [/wrists?\b/iy, 'wrist'],
]

export const CUES: [RegExp, Cue][] = [
  [/(?:weigh(?:ed|s|ing)?(?:[ -]ins?)?|weights?|wt|scales?|body ?weight|bw)\b/iy, 'mass'],
  [/(?:goals?|targets?|aim(?:ing)?|want(?:ed)?|hop(?:e|ing)|wish|dream)\b/iy, 'goal'],
  [
    /(?:deadlift(?:ed|s)?|squat(?:ted|ting)?|bench(?:ed)?|press(?:ed)?|lift(?:ed|s|ing)?|row(?:ed|s)?|curl(?:ed|s)?|pr|pb|1 ?rm|rm|dumbbells?|kettlebells?|barbell|bar|plates?)\b/iy,
    'lift',
  ],
  [
    /(?:lost|los(?:e|ing)|gained|dropped|shed|minus|down by|up by|put on|since)\b(?! to\b)/iy,
    'change',
  ],
  [/(?:averages?|averag(?:ed|ing)|avg|mean|median)\b/iy, 'mean'],
  [/(?:left|lt)\b/iy, 'left'],
  [/(?:right|rt)\b/iy, 'right'],
  [
    /(?:hunger|hungry|sleep|slept|energy|mood|stress|pain|soreness|sore|effort|rpe|score|rat(?:e|ed|ing))\b/iy,
    'rated',
  ],
  [
    /(?:bp|blood pressure|pulse|heart ?rate|hr|rhr|age|aged|height|tall|bmi|fat|bf|no|number|room|house|page|bus|size)\b/iy,
    'other',
  ],
]

/** Said around numbers, and no news by itself. */
export const FILLERS = new Set(
  `a about after all also am an and are around as at be been before bit but by came check-in coach cheers day days did
  down exactly first for from get got going good had hallo has hello here hey hi i im i'm in is it it's its just last
  later measured measurement measurements measure me morning my near now numbers of ok okay on on: only our out please
  reading readings result results said says see so still taken thanks thank that the then there these they this to today
  too update up was we week weekly went were with yes you your results: stats yo dear both each was: twice again
  empty stomach: tape taped girth girths body mass mine below following report same`
    .split(/\s+/)
    .filter(Boolean),
)
