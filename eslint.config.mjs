import prettier from 'eslint-config-prettier'
import i18n from '@intlify/eslint-plugin-vue-i18n'
import { messages, words } from './scripts/eslint-words.mjs'
import withNuxt from './.nuxt/eslint.config.mjs'

/*
 * The arrows of the architecture: app, server and cli may import shared and core, shared may import core, core imports
 * neither, and nothing imports demo, bench and tests. tests/core/arrows.test.ts shows that a wrong import fails.
 */
const PURE_LIBRARIES = 'zod|simple-statistics|papaparse|ical-generator|date-fns(/.*)?'

const oak = { rules: { messages, words } }

/** The rooms of core in the order in which they may build on one another: none imports from a later one. */
export const ROOMS = [
  'units',
  'anatomy',
  'equations',
  'protocols',
  'readings',
  'data-quality',
  'measurement-error',
  'composition',
  'profile',
  'weigh-ins',
  'weekly-report',
  'change',
  'schedule',
  'planning',
  'nutrition',
  'leaderboard',
  'photos',
  'norms',
  'exchange',
]

/** In Nuxt's aliases ~ and @ are app/ itself. */
const APP_ALIAS = '^[~@]/'

function forbid(folders, message) {
  const paths = folders.map((folder) => `(^|[~@#/.])/?${folder}(/|$)`)
  const aliases = folders.includes('app') ? [APP_ALIAS] : []
  return [...paths, ...aliases].map((regex) => ({ regex, message }))
}

const CORE_PATTERNS = [
  {
    regex: `^(?!\\.{1,2}/)(?!(${PURE_LIBRARIES})$)`,
    message: 'core/ imports its own files and a few named pure libraries, nothing else.',
  },
  ...forbid(
    ['app', 'server', 'shared', 'cli', 'demo', 'bench', 'tests'],
    'core/ imports neither app, server, cli nor shared.',
  ),
]

/** Each room with the later ones that it may not build on, and not on the entry, which names them all. */
const roomRules = ROOMS.map((room, i) => ({
  files: [`core/${room}/**/*.ts`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          ...CORE_PATTERNS,
          {
            regex: `^(\\.\\./)+(index$|\\.\\.$|(${[...ROOMS.slice(i + 1), 'none'].join('|')})/)`,
            message: `core/${room} builds on the rooms before it alone: ${ROOMS.slice(0, i).join(', ')}.`,
          },
        ],
      },
    ],
  },
}))

export default withNuxt(
  { ignores: ['.output/**', '.data/**', 'server/database/migrations/**'] },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: CORE_PATTERNS }],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'performance',
        'crypto',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is passed in.' },
        { object: 'Date', property: 'now', message: 'The clock is passed in.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The clock is passed in.',
        },
      ],
    },
  },
  ...roomRules,
  {
    files: ['shared/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: forbid(
            ['app', 'server', 'cli', 'demo', 'bench', 'tests'],
            'shared/ imports core alone.',
          ),
        },
      ],
    },
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: forbid(
            ['server', 'cli', 'demo', 'bench', 'tests'],
            'app/ never imports server/.',
          ),
        },
      ],
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: forbid(
            ['app', 'cli', 'demo', 'bench', 'tests'],
            'server/ imports shared and core.',
          ),
        },
      ],
    },
  },
  {
    files: ['cli/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: forbid(
            ['app', 'demo', 'bench', 'tests'],
            'cli/ imports server, shared and core.',
          ),
        },
      ],
    },
  },
  prettier,
  {
    files: ['app/**/*.vue'],
    rules: {
      // What is bound to its own name is written once.
      'vue/v-bind-style': ['error', 'shorthand', { sameNameShorthand: 'always' }],
    },
  },
  {
    // All that a person reads stands in locales/.
    files: ['app/**/*.vue'],
    plugins: { '@intlify/vue-i18n': i18n },
    settings: { 'vue-i18n': { localeDir: './locales/*/*.json', messageSyntaxVersion: '^11.0.0' } },
    rules: {
      '@intlify/vue-i18n/no-raw-text': [
        'error',
        {
          // Signs, units and letters of keys.
          ignorePattern: '^[^A-Za-z]*$|^[A-Z]$|^\\W*(kg|lb|mm|cm|in|kcal|g|g/kg)\\W*$',
          attributes: {
            '/.+/': [
              'label',
              'title',
              'aria-label',
              'placeholder',
              'hint',
              'alt',
              'caption',
              'add',
              'action',
              'leave',
              'was',
              'now',
            ],
          },
        },
      ],
    },
  },
  {
    files: ['app/**/*.{ts,vue}'],
    ignores: ['app/service-worker/**'],
    plugins: { oak },
    rules: { 'oak/words': 'error' },
  },
  {
    files: ['core/**/*.ts', 'shared/**/*.ts', 'server/**/*.ts'],
    plugins: { oak },
    rules: { 'oak/messages': 'error' },
  },
)
