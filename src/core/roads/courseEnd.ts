/** Where a course ends that starts at the origin along x. */
export interface CourseEnd {
  heading: number;
  x: number;
  y: number;
}

/** Follows a course of steps, each of one curvature; lengths in m, angles in rad. */
export function courseEnd(curvature: ArrayLike<number>, stepM: number): CourseEnd {
  let [heading, x, y] = [0, 0, 0];
  for (let i = 0; i < curvature.length; i++) {
    const turn = curvature[i]! * stepM;
    x += stepM * Math.cos(heading + turn / 2);
    y += stepM * Math.sin(heading + turn / 2);
    heading += turn;
  }
  return { heading, x, y };
}
