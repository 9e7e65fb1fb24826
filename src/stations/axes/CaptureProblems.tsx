import { describeProblem, type Problem } from '@/core/problem';

export function CaptureProblems({ problems }: { problems: Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="mb-4 border-l-4 border-rust pl-4">
      {problems.map((problem) => (
        <p key={problem.code + problem.message}>{describeProblem(problem)}</p>
      ))}
    </div>
  );
}
