import { inject } from 'vitest'
import { TestServer } from './server'

/** Every server of these tests has its record on the PostgreSQL server of the run. */
TestServer.postgres = inject('postgres')
