export { SHIPPED_QUESTIONS } from '@doceo/core/shipped';
