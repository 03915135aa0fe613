import { machineBody } from '../../../contract/bodies'
import { addMachine } from '../../../server/addMachine'
import { apiCall } from '../../../server/edge'

export const POST = apiCall(machineBody, addMachine)
