namespace Kalypto.Web.Models;

/// <summary>A token on its page.</summary>
/// <param name="Key">What tells its value from all others.</param>
/// <param name="Kind">colour, type, radius, shadow, border or space.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Value">The value in words.</param>
/// <param name="Css">The value as CSS, for a sample.</param>
/// <param name="Uses">What it is used for.</param>
/// <param name="Count">At how many layers.</param>
/// <param name="Places">Some of the layers: names and addresses.</param>
/// <param name="Others">Values that were put together with it, in words.</param>
/// <param name="IsMerged">True when people put some of them together.</param>
public sealed record TokenRow(string Key, string Kind, string Name, string Value, string Css, string Uses, int Count, IReadOnlyList<TokenRow.Place> Places, string Others, bool IsMerged)
{
    /// <summary>A layer that has it.</summary>
    public sealed record Place(string Name, string Screen, string Href);
}
