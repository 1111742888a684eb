/// <reference lib="webworker" />
import { expose } from 'comlink';
import { makeJudge } from './judge';

expose(makeJudge());
