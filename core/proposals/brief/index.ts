export { BRIEF_QUESTIONS, consequenceOf, type QuestionId } from './consequences';
