import prettier from 'eslint-config-prettier'
import withNuxt from './.nuxt/eslint.config.mjs'

/*
 * The arrows of the architecture: app and server may import shared and core, shared may import core, core imports
 * neither. tests/core/arrows.test.ts shows that a wrong import fails.
 */
const PURE_LIBRARIES = 'zod|simple-statistics|papaparse|ical-generator|date-fns(/.*)?'

/** In Nuxt's aliases ~ and @ are app/ itself. */
const APP_ALIAS = '^[~@]/'

function forbid(folders, message) {
  const paths = folders.map((folder) => `(^|[~@#/.])/?${folder}(/|$)`)
  const aliases = folders.includes('app') ? [APP_ALIAS] : []
  return [...paths, ...aliases].map((regex) => ({ regex, message }))
}

export default withNuxt(
  { ignores: ['.output/**', '.data/**', 'server/database/migrations/**'] },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: `^(?!\\.{1,2}/)(?!(${PURE_LIBRARIES})$)`,
              message: 'core/ imports its own files and a few named pure libraries, nothing else.',
            },
            ...forbid(
              ['app', 'server', 'shared', 'demo', 'tests'],
              'core/ imports neither app, server nor shared.',
            ),
          ],
        },
      ],
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
  {
    files: ['shared/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: forbid(['app', 'server', 'demo', 'tests'], 'shared/ imports core alone.') },
      ],
    },
  },
  {
    files: ['app/**/*.{ts,vue}'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: forbid(['server', 'demo', 'tests'], 'app/ never imports server/.') },
      ],
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: forbid(['app', 'tests'], 'server/ never imports app/.') },
      ],
    },
  },
  prettier,
)
