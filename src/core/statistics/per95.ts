/** A normal value lies within this many standard deviations of its mean 95 times in 100. */
export const per95 = 1.959963984540054;
