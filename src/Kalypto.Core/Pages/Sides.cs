namespace Kalypto.Core.Pages;

/// <summary>Lengths at the sides of an element, as CSS writes them; null for none said.</summary>
internal readonly record struct Sides(string? Top = null, string? Right = null, string? Bottom = null, string? Left = null)
{
    /// <summary>The declarations, in the fewest that say them (CSS Box Model 3, section 3).</summary>
    /// <param name="property">margin or padding.</param>
    public IEnumerable<(string Property, string Value)> Declarations(string property)
    {
        var said = new[] { ("top", Top), ("right", Right), ("bottom", Bottom), ("left", Left) }.Where(s => s.Item2 is not null and not "0").ToList();
        if (said.Count <= 1)
        {
            return said.Select(s => ($"{property}-{s.Item1}", s.Item2!));
        }
        var (top, right, bottom, left) = (Top ?? "0", Right ?? "0", Bottom ?? "0", Left ?? "0");
        if (said.Count == 2 && right == left && Left is not null && Right is not null && left != "0")
        {
            return [($"{property}-inline", left)];
        }
        return [(property, (top == bottom, right == left, top == right) switch
        {
            (true, true, true) => top,
            (true, true, _) => $"{top} {right}",
            (_, true, _) => $"{top} {right} {bottom}",
            _ => $"{top} {right} {bottom} {left}",
        })];
    }
}
