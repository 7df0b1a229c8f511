/*
 * The clock of the server's tests goes on from the noon that comes next, so that no run crosses midnight between what
 * a test takes for today and what the server does. Forward, since what the start of all of them stored lies before.
 */

const Real = Date
const noon = new Real()
if (noon.getHours() >= 12) noon.setDate(noon.getDate() + 1)
noon.setHours(12, 0, 0, 0)
const ahead = noon.getTime() - Real.now()

class FromNoon extends Real {
  constructor(...given: ConstructorParameters<typeof Date> | []) {
    if (given.length === 0) super(Real.now() + ahead)
    else super(...given)
  }

  static override now() {
    return Real.now() + ahead
  }
}

globalThis.Date = FromNoon as DateConstructor
