import { decisionBody } from '../../../../contract/bodies'
import { decidePart } from '../../../../server/decidePart'
import { apiCall, pathParameter } from '../../../../server/edge'

export const POST = apiCall(decisionBody, (context, body, api) => decidePart(context, pathParameter(api, 'job'), body))
