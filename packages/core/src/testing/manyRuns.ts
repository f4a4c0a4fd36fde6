import fc from 'fast-check'

// Properties are tried with many more cases than in every run of the tests.
fc.configureGlobal({ numRuns: 3_000 })
