using System.Text;

namespace Kalypto.Core.Pages;

/// <summary>Paths of files as addresses from a page (RFC 3986, section 3.3).</summary>
public static class PageAddress
{
    /// <summary>The address of a path with slashes; what an address or a list of them (<c>srcset</c>) takes otherwise is written by its bytes.</summary>
    public static string Of(string path) => string.Concat(Encoding.UTF8.GetBytes(path).Select(b => char.IsAsciiLetterOrDigit((char)b) || (char)b is '-' or '_' or '.' or '~' or '/' or '@' ? ((char)b).ToString() : $"%{b:X2}"));
}
