/** Where a crystallisation ends that cools by itself and then in ice, as is usual, °C. Loss account and planner take the same. */
export const usualColdC = 5
