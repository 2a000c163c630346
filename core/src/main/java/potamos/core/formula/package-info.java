/** What a kind of stock is: its bed, its parts, and the procedure that makes it. Belongs to no vessel and no kitchen. */
package potamos.core.formula;
