import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** A place to work that is open. */
export const job: Processor = {
  id: 'job',
  type: 'JobPosting',
  isPage: false,
  parts: { baseSalary: 'MonetaryAmount' },
  fields: [
    f.jobTitle,
    f.fullDescription,
    f.datePosted,
    f.validThrough,
    f.hiringOrganization,
    f.jobLocation,
    f.asked('employmentType'),
    f.salary,
    f.salaryCurrency,
  ],
};
