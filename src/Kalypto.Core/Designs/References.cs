using System.Collections.Immutable;
using System.Text;

namespace Kalypto.Core.Designs;

/// <summary>
/// Finds and changes what elements refer to: <c>href="#id"</c> and <c>url(#id)</c>. As CSS has it (CSS Values 3, 3.4), the word
/// <c>url</c> is taken in any case, with spaces and quotes around the address.
/// </summary>
public static class References
{
    private const string Function = "url(";

    /// <summary>The ids in the element's own attributes, without the <c>#</c>.</summary>
    public static ImmutableArray<string> Of(Element element)
    {
        ImmutableArray<string>.Builder? found = null;
        foreach (var (name, value) in element.Attributes)
        {
            if (name == "href" && element.Name == "a")
            {
                continue;
            }
            foreach (var id in Of(name, value))
            {
                (found ??= ImmutableArray.CreateBuilder<string>()).Add(id);
            }
        }
        return found?.ToImmutable() ?? [];
    }

    /// <summary>The ids that an attribute refers to, without the <c>#</c>.</summary>
    public static IEnumerable<string> Of(string name, string value) => name == "href"
        ? value.StartsWith('#') ? [value[1..]] : []
        : Addresses(value).Select(a => a.Address).Where(a => a.StartsWith('#')).Select(a => a[1..]);

    /// <summary>True for a paint or effect that is looked up elsewhere.</summary>
    public static bool IsReference(string? value) => value is not null && value.AsSpan().TrimStart().StartsWith(Function, StringComparison.OrdinalIgnoreCase);

    /// <summary>True for a value in which an address stands somewhere.</summary>
    public static bool IsAnywhere(string value) => value.Contains(Function, StringComparison.OrdinalIgnoreCase);

    /// <summary>The value of an attribute with other ids.</summary>
    public static string Rename(string name, string value, Func<string, string> rename)
    {
        if (name == "href")
        {
            return value.StartsWith('#') ? "#" + rename(value[1..]) : value;
        }
        StringBuilder? text = null;
        var done = 0;
        foreach (var (start, end, address) in Addresses(value))
        {
            if (address.StartsWith('#'))
            {
                (text ??= new()).Append(value, done, start - done).Append("url(#").Append(rename(address[1..])).Append(')');
                done = end;
            }
        }
        return text is null ? value : text.Append(value, done, value.Length - done).ToString();
    }

    /// <summary>Every address in a value, with where its <c>url(...)</c> begins and ends. One that never ends is none.</summary>
    public static IEnumerable<(int Start, int End, string Address)> Addresses(string value)
    {
        for (var at = value.IndexOf(Function, StringComparison.OrdinalIgnoreCase); at >= 0;)
        {
            var end = value.IndexOf(')', at);
            if (end < 0)
            {
                yield break;
            }
            yield return (at, end + 1, value[(at + Function.Length)..end].Trim().Trim('"', '\'').Trim());
            at = value.IndexOf(Function, end, StringComparison.OrdinalIgnoreCase);
        }
    }
}
