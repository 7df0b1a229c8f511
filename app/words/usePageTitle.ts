import { speakingWith, t, voiceNow } from './say'

/** Names the page in the browser's tab, with the application's name after it. */
export function usePageTitle(title: () => string): void {
  const voice = voiceNow()
  // The head is made when the page's own context is gone.
  useHead({
    title: () => speakingWith(voice, () => t('common.pageTitle', { title: title() })),
  })
}
