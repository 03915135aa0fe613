import { decisionBody } from '../../../../contract/bodies'
import { apiCall, pathParameter } from '../../../../server/edge/edge'
import { decidePart } from '../../../../server/jobs/decidePart'

export const POST = apiCall(decisionBody, (context, body, api) => decidePart(context, pathParameter(api, 'job'), body))
