namespace Kalypto.Core.Comparing;

/// <summary>How a layer is drawn otherwise than before.</summary>
public enum Redrawing
{
    /// <summary>Not at all.</summary>
    None,
    /// <summary>The same form in other paints.</summary>
    Paints,
    /// <summary>The same in another size.</summary>
    Size,
    /// <summary>A text that says something else.</summary>
    Words,
    /// <summary>Another embedded picture.</summary>
    Picture,
    /// <summary>Something in it.</summary>
    Inside,
    /// <summary>Another form.</summary>
    Form,
}
