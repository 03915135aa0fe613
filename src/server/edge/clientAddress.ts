/** Header in which our own server passes on the address of the caller; it overwrites what a caller sends. */
export const CLIENT_ADDRESS_HEADER = 'x-medida-client-address'
