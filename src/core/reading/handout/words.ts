/** Turns of phrase that matter to more than one verb. */
export const slowly =
  /drop ?wise|drop by drop|slowly|dropping funnel|in (?:small |\w+ )?portions(?! of)|portion ?wise|in small amounts|by the spatula|over (?:a period of )?(?:about |ca\.? )?[\dahtf]|a little at a time|cautiously|little by little|run(?:ning)? in\b/i
export const iceBath = /\bice\b(?![- ]cold)(?!d)/i
export const saltBath = /ice[\s/-]*(?:and[\s-]*)?salt|salt[\s/-]*(?:and[\s-]*)?ice/i
export const coldWater = /(?:\bin )?cold[\s-]water bath|\bin cold water\b|running water|tap water|under the tap/i
export const roomTemperature = /\b(?:room temperature|r\.?\s?t\.?(?![a-z])|ambient temperature|lab(?:oratory)? temperature)/i
export const onTheFilter = /crystal|solid|precipitate|cake|powder|funnel\b(?!.*separat)|\bthem\b|product|salt\b|needles/i
/** A sentence that begins as a warning. */
export const warnsFirst =
  /^(?:caution|warning|care|danger|note|beware|attention)\b|^(?:do not|don't|never|wear|avoid|no (?:open )?flames?)\b/i
/** Words of danger. */
export const warns = /\b(?:toxic|poison|corrosive|flammable|irritant|carcinogen|explosive|harmful|burns the skin)/i
export const untilWhen = /\b(?:until|till)\s+[^.;]+/i
