export { allCounterOrdersQuery, counterQuery, isOver as isOrderOver, type CounterOrder } from './queries';
export { counterStateWords } from './words';
