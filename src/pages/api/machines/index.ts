import { machineBody } from '../../../contract/bodies'
import { apiCall } from '../../../server/edge/edge'
import { addMachine } from '../../../server/machines/addMachine'

export const POST = apiCall(machineBody, addMachine)
