namespace Kalypto.Core.Designs;

/// <summary>Where the name of a layer comes from.</summary>
public enum NameSource
{
    /// <summary>The drawing names it (label, title and the like).</summary>
    Given,
    /// <summary>Only an id.</summary>
    Id,
    /// <summary>The words of a text layer.</summary>
    Words,
    /// <summary>Nothing: the name says what the layer is made of.</summary>
    None,
}
