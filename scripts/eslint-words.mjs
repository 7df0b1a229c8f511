/**
 * Words that a person reads stand in locales/, not in the code. This rule finds those in scripts; the text of templates
 * is found by @intlify/vue-i18n/no-raw-text.
 */

/** Two words in a row, or a capital one alone. */
const WORDS = /[\p{L}’]{2,}[,:;]? \p{Ll}{2,}|^\p{Lu}\p{Ll}{2,}$/u
const CLASSES =
  /(^|\s)(absolute|block|border|bg|flex|font|gap|grid|h|hidden|inline|items|m[btlrxy]?|max|min|p[btlrxy]?|relative|rounded|sticky|text|underline|w|size|stroke|fill)(-|\s|$)/
/** Names of keys, headers, faults and typefaces. */
const NAMES =
  /^(Alt|Arrow\w+|Backspace|Barlow Condensed|Content-Type|Delete|End|Enter|Escape|Home|Refused|ServerFault|Shift|Space|Tab|Unreachable|Reply)$/
const COMPARED = new Set(['===', '!==', 'in'])

/** Where a string is no text: a type, a key, an address, something compared, or a fault of the program itself. */
function isNoText(node) {
  const { parent } = node
  switch (parent.type) {
    case 'ImportDeclaration':
    case 'ExportNamedDeclaration':
    case 'TSLiteralType':
    case 'SwitchCase':
    case 'MemberExpression':
      return true
    case 'Property':
      return parent.key === node || /^(id|kind|value)$/.test(parent.key.name ?? '')
    case 'VariableDeclarator':
      return parent.id.typeAnnotation?.typeAnnotation.type === 'TSTypeReference'
    case 'BinaryExpression':
      return COMPARED.has(parent.operator)
    case 'NewExpression':
      return /Error$/.test(parent.callee.name ?? '')
    case 'CallExpression':
      return /^(includes|querySelector|querySelectorAll|closest|skip)$/.test(
        parent.callee.property?.name ?? parent.callee.name ?? '',
      )
    default:
      return false
  }
}

/** Looks at every text of a script. */
const ofTexts = (look) => ({
  Literal: (node) => typeof node.value === 'string' && look(node, node.value),
  TemplateLiteral: (node) => look(node, node.quasis.map(({ value }) => value.cooked).join('…')),
})

export const words = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { words: 'Words belong in locales/: {{ text }}' },
  },
  create(context) {
    const look = (node, text) => {
      if (!WORDS.test(text) || CLASSES.test(text) || NAMES.test(text) || isNoText(node)) return
      context.report({ node, messageId: 'words', data: { text: text.slice(0, 60) } })
    }
    return ofTexts(look)
  },
}

/** A sentence, or the beginning of one: ids and codes begin small and have no full stop. */
const SENTENCE = /^\p{Lu}[\p{Ll}’]+[,:;]? (\p{Ll}|…)|\p{Ll} .*\p{L}\.$/u
/** Where a source is cited. */
const CITATION = /\b(1[89]|20)\d\d\b|et al\b|^(American|National|World) \p{Lu}/u
/** Functions that take words, whatever these look like. */
const TAKES_WORDS = /^(inputError|refusal|errorText|notFound|conflict)$/
const PHRASE = /\p{L}{2,} \p{L}{2,}/u

/** What is said stands in locales/ here too: the core, the contract and the server give messages by their keys. */
export const messages = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { words: 'Say it by a key of locales/: {{ text }}' },
  },
  create(context) {
    const look = (node, text) => {
      const { parent } = node
      if (parent.type === 'TaggedTemplateExpression' || parent.type === 'ImportDeclaration') return
      if (parent.type === 'Property' && /^(source|citation)$/.test(parent.key.name ?? '')) return
      if (parent.type === 'NewExpression' || CITATION.test(text)) return
      const taken =
        parent.type === 'CallExpression' && TAKES_WORDS.test(parent.callee.name ?? '')
          ? PHRASE.test(text)
          : false
      if (taken || SENTENCE.test(text))
        context.report({ node, messageId: 'words', data: { text: text.slice(0, 60) } })
    }
    return ofTexts(look)
  },
}
