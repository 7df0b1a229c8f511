import { listArchived } from '../repositories/clients'
import { defineApi } from '../utils/api'

/** Archived clients by name. */
export default defineApi((_event, db) => listArchived(db))
