import { lazyPart } from '../../ui'

// Text can be read before the rest comes. All that a guide needs is asked for once its first page stands.
export const StepPicturesView = lazyPart(async () => (await import('./StepPicturesView')).StepPicturesView)
export const NotReadyStrip = lazyPart(async () => (await import('../../guides/NotReadyStrip')).NotReadyStrip)
export const WaysOn = lazyPart(async () => (await import('../WaysOn')).WaysOn)
export const StepSafetyView = lazyPart(async () => (await import('../safety/StepSafetyView')).StepSafetyView)
