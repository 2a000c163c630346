/**
 * A batch: a plan that is frozen when it is accepted, and the events that happened. Its state is the replay of the events over the plan, for every
 * reader alike.
 */
package potamos.core.batch;
