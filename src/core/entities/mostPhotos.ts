/** Of one unit so many pictures are kept: more than a long teardown takes, and few enough that nobody fills the disk by one. */
export const mostPhotosOfUnit = 60;
