import { siteOrigin, type Claim } from '../../core/site/index.ts';
import { proofStepWords } from '../../core/wording/index.ts';
import { StepLine } from '../components/index.ts';
import { useAsync } from '../ui/index.ts';
import { useTables, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** What is really found of a proof, step by step, before an engine looks. `asked` counts the times it was asked for; a new count looks again. */
export function ProofChain({ claim, asked }: { readonly claim: Pick<Claim, 'kind' | 'name' | 'content'>; readonly asked: string }) {
  const { tools } = useWorkspaceApi();
  const document = useTables('facts');
  const origin = siteOrigin(document);
  const { value, failure } = useAsync(() => tools.outside.proofSteps(origin, claim), `${origin} ${JSON.stringify(claim)} ${asked}`);
  if (failure !== undefined || value === undefined) return <StepLine done={false} name={wording.looking} why={failure ?? wording.asking} />;
  return (
    <>
      {value.map((step, at) => {
        const { name, why } = proofStepWords(step);
        return <StepLine key={`${step.step} ${at}`} done={step.state === 'good'} bad={step.state === 'bad'} name={name} why={why} />;
      })}
    </>
  );
}
