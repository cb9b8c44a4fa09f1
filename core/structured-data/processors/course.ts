import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** Something that is taught. */
export const course: Processor = {
  id: 'course',
  type: 'Course',
  isPage: false,
  parts: { offers: 'Offer', hasCourseInstance: 'CourseInstance' },
  fields: [
    f.name,
    f.description,
    f.image,
    f.provider,
    { ...f.startDate, path: 'hasCourseInstance.startDate' },
    { ...f.endDate, path: 'hasCourseInstance.endDate' },
    { ...f.location, path: 'hasCourseInstance.location' },
    ...f.costs,
    f.offerUrl,
    f.inLanguage,
  ],
};
