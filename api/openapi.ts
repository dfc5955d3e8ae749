import { createDocument, type ZodOpenApiPathsObject } from 'zod-openapi';
import type { Route } from './route';
import { ROUTES } from './routes';
import { problemSchema } from './problem';
import { API_VERSION } from './version';

/** The interface as an OpenAPI 3.1 document, made from the same schemas the server validates with. */
export function openApiDocument(routes: Readonly<Record<string, Route>> = ROUTES): unknown {
  const paths: ZodOpenApiPathsObject = {};
  for (const [name, r] of Object.entries(routes)) {
    const path = r.path.replace(/:(\w+)/g, '{$1}');
    const file = 'file' in r ? r.file : undefined;
    const content = file ? { [file]: { schema: { type: 'string' as const } } } : { 'application/json': { schema: r.answer } };
    paths[path] = {
      ...paths[path],
      [r.method.toLowerCase()]: {
        operationId: name,
        summary: r.says,
        description: `Who: ${typeof r.who === 'string' ? r.who : r.who.join(', ')}`,
        ...('body' in r && r.body ? { requestBody: { content: { 'application/json': { schema: r.body } } } } : {}),
        ...('query' in r && r.query ? { requestParams: { query: r.query } } : {}),
        responses: {
          '200': { description: r.says, content },
          default: { description: 'A problem', content: { 'application/problem+json': { schema: problemSchema } } },
        },
      },
    };
  }
  return createDocument({ openapi: '3.1.0', info: { title: 'Plain Cleat', version: String(API_VERSION) }, paths });
}
