/** What goes from the bed into the liquor, and the words for it. */
package potamos.core.liquor;
