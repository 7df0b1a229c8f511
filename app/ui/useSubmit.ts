import { ref } from 'vue'
import { byField, Refused } from '../utils/problems'

/**
 * What every form and button that sends something needs: whether it is under way, what was wrong, field by field or as
 * a whole, and what was done. One thing is sent at a time.
 */
export function useSubmit() {
  const busy = ref(false)
  /** What went wrong, in one text, for an alert line. */
  const trouble = ref('')
  /** What is wrong with each field. */
  const problems = ref<Record<string, string>>({})
  /** What was done, for a status line. */
  const done = ref('')

  function clear(): void {
    trouble.value = ''
    problems.value = {}
    done.value = ''
  }

  /**
   * Sends, and says how it went.
   *
   * @param act throws in words where it does not work
   * @param said what is said when it did
   * @returns what `act` gave; undefined where it failed, or one is under way already
   */
  async function submit<T>(act: () => Promise<T>, said = ''): Promise<T | undefined> {
    if (busy.value) return undefined
    busy.value = true
    clear()
    try {
      const answer = await act()
      done.value = said
      return answer
    } catch (error) {
      const fields = error instanceof Refused ? error.problems.filter(({ field }) => field) : []
      problems.value = byField(fields)
      trouble.value = error instanceof Error ? wordsOf(error) : String(error)
      return undefined
    } finally {
      busy.value = false
    }
  }

  return { busy, trouble, problems, done, submit, clear }
}
