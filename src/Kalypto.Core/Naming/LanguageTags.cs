using System.Collections.Frozen;

namespace Kalypto.Core.Naming;

/// <summary>Names that are those of languages (RFC 5646 with the codes of ISO 639-1): <c>de</c>, <c>pt-BR</c>, <c>zh-Hans-CN</c>.</summary>
internal static class LanguageTags
{
    private static readonly FrozenSet<string> Codes = FrozenSet.Create(StringComparer.OrdinalIgnoreCase, (
        "aa ab ae af ak am an ar as av ay az ba be bg bh bi bm bn bo br bs ca ce ch co cr cs cu cv cy da de dv dz ee el en eo es et eu fa ff fi fj fo fr fy ga gd gl gn gu gv ha he hi ho hr "
        + "ht hu hy hz ia id ie ig ii ik io is it iu ja jv ka kg ki kj kk kl km kn ko kr ks ku kv kw ky la lb lg li ln lo lt lu lv mg mh mi mk ml mn mr ms mt my na nb nd ne ng nl nn no nr nv "
        + "ny oc oj om or os pa pi pl ps pt qu rm rn ro ru rw sa sc sd se sg si sk sl sm sn so sq sr ss st su sv sw ta te tg th ti tk tl tn to tr ts tt tw ty ug uk ur uz ve vi vo wa wo xh yi yo za zh zu").Split(' '));

    /// <summary>True for the name of a language, with its script and region or without.</summary>
    public static bool Are(string name)
    {
        var parts = name.Split('-');
        return Codes.Contains(parts[0]) && parts.Skip(1).All(p => p.Length is 2 or 4 && p.All(char.IsAsciiLetter) || p.Length == 3 && p.All(char.IsAsciiDigit));
    }
}
