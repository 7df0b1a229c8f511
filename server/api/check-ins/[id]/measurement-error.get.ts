import { findMeasurementSetup } from '../../../repositories/gym'
import { defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'

/** Who measures in a check-in and with what, for the size of the error. */
export default defineApi(async (event, db) => findMeasurementSetup(db, await checkInOr404(db, idOf(event))))
