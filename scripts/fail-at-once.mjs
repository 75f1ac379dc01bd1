// For the mutation run: what breaks a property counts; which is the smallest example that does is not asked for.
import fc from 'fast-check'

fc.configureGlobal({ ...fc.readConfigureGlobal(), endOnFailure: true })
