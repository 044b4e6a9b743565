namespace Kalypto.Core.Reading.Normalising;

/// <summary>Puts the values of custom properties (<c>--name</c>) where <c>var(--name, fallback)</c> asks for them (CSS Variables level 1).</summary>
internal sealed class CustomProperties : INormalisation
{
    private const int MostReplacements = 64;
    private readonly Dictionary<ElementBuilder, Dictionary<string, string>> known = [];
    private static readonly Dictionary<string, string> None = [];

    public void Apply(ElementBuilder element, Action<string> note)
    {
        var around = element.Parent is { } parent ? known.GetValueOrDefault(parent, None) : None;
        var own = element.Declared?.Where(d => d.Key.StartsWith("--", StringComparison.Ordinal)).ToList() ?? [];
        var here = around;
        if (own.Count > 0)
        {
            here = new(around);
            foreach (var (name, value) in own)
            {
                here[name] = value;
                element.Declared!.Remove(name);
            }
        }
        if (here.Count > 0)
        {
            known[element] = here;
        }
        foreach (var (name, value) in element.Declared?.ToList() ?? [])
        {
            if (value.Contains("var(", StringComparison.Ordinal))
            {
                if (Resolve(value, here) is { Length: > 0 } resolved)
                {
                    element.Declared![name] = resolved;
                }
                else
                {
                    element.Declared!.Remove(name);
                    note($"“{name}: {value}” names a custom property that the drawing does not set; it is left out.");
                }
            }
        }
        for (var i = 0; i < element.Attributes.Count; i++)
        {
            var (name, value) = element.Attributes[i];
            if (name != "style" && value.Contains("var(", StringComparison.Ordinal) && Resolve(value, here) is { } resolved)
            {
                element.Attributes[i] = new(name, resolved);
            }
        }
    }

    /// <summary>The value with every <c>var()</c> replaced; null when one is neither set nor has a fallback.</summary>
    private static string? Resolve(string value, Dictionary<string, string> properties)
    {
        for (var round = 0; round < MostReplacements; round++)
        {
            var at = value.LastIndexOf("var(", StringComparison.Ordinal);
            if (at < 0)
            {
                return value;
            }
            var end = value.IndexOf(')', at);
            if (end < 0)
            {
                return null;
            }
            var inside = value[(at + 4)..end];
            var comma = inside.IndexOf(',', StringComparison.Ordinal);
            var name = (comma < 0 ? inside : inside[..comma]).Trim();
            var replacement = properties.GetValueOrDefault(name) ?? (comma < 0 ? null : inside[(comma + 1)..].Trim());
            if (replacement is null || value.Length + replacement.Length > 10_000)
            {
                return null;
            }
            value = value[..at] + replacement + value[(end + 1)..];
        }
        return null;
    }
}
