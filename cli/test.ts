export const help = 'x';
export const run = async () => 0;
