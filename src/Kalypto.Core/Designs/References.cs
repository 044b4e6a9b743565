using System.Collections.Immutable;

namespace Kalypto.Core.Designs;

/// <summary>Finds what an element refers to by <c>href="#id"</c> and <c>url(#id)</c>.</summary>
public static class References
{
    /// <summary>The ids in the element's own attributes, without the <c>#</c>.</summary>
    public static ImmutableArray<string> Of(Element element)
    {
        ImmutableArray<string>.Builder? found = null;
        foreach (var (name, value) in element.Attributes)
        {
            if (name == "href")
            {
                if (value.StartsWith('#') && element.Name != "a")
                {
                    (found ??= ImmutableArray.CreateBuilder<string>()).Add(value[1..]);
                }
                continue;
            }
            for (var at = value.IndexOf("url(", StringComparison.OrdinalIgnoreCase); at >= 0;
                 at = value.IndexOf("url(", at + 4, StringComparison.OrdinalIgnoreCase))
            {
                var end = value.IndexOf(')', at);
                var target = end < 0 ? "" : value[(at + 4)..end].Trim().Trim('"', '\'');
                if (target.StartsWith('#'))
                {
                    (found ??= ImmutableArray.CreateBuilder<string>()).Add(target[1..]);
                }
            }
        }
        return found?.ToImmutable() ?? [];
    }
}
