/** Limits as data: cooling stages, keeping, allergens, cautions. A verdict quotes the profile it used. */
package potamos.core.safety;
