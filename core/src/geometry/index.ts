export * from './side';
