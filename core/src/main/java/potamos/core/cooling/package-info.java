/** Getting a stock through the limits: the curve ahead, the curve so far, and the verdict. */
package potamos.core.cooling;
