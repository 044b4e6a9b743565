using System.Globalization;
using System.Text;

namespace Kalypto.Drafts;

/// <summary>
/// A screen with a list or a grid of rows that look alike, and its next draft with rows inserted, removed or in another order:
/// the same number gives the same two drafts. What tells rows apart (photo, colour, title, name, id) changes with the number.
/// </summary>
public sealed class ListDrawing
{
    /// <summary>What becomes of the rows.</summary>
    public enum Edit { InsertFirst, InsertBetween, InsertSeveral, Remove, RemoveFirst, Swap, ToTheTop, Sort, Shuffle, InsertAndRemove }

    /// <summary>How ids are given: not at all, kept with their row, or anew by place in the file.</summary>
    public enum Ids { None, Kept, ByPlace }

    /// <summary>How rows are named: not at all, all the same, or each its own way.</summary>
    public enum Names { None, Same, Own }

    private static readonly string[] First = ["Ada", "Bo", "Cleo", "Dan", "Eve", "Finn", "Gus", "Hana", "Ivo", "Jo", "Kit", "Lena", "Max", "Nia", "Oda", "Pia"];
    private static readonly string[] Last = ["Moor", "Vale", "Lund", "Berg", "Holm", "Dahl", "Rist", "Sund", "Falk", "Thorn", "Wold", "Bech", "Kern", "Roth", "Stein", "Voss"];
    private readonly Random random;
    private readonly Ids ids;
    private readonly Names names;
    private readonly bool isGrouped, hasPhoto, hasColour, hasTitle, areSubtitlesAlike, hasBadges, isAbsolute, areParts, isGrid, isWrapped;

    private sealed record Row(int Number, string Title, string Subtitle, bool HasBadge);

    /// <summary>Makes both drafts.</summary>
    public ListDrawing(Edit edit, int seed)
    {
        random = new(seed * 31 + (int)edit);
        (ids, names) = ((Ids)random.Next(3), (Names)random.Next(3));
        (isGrouped, hasPhoto, hasColour, hasTitle) = (random.Next(4) > 0, random.Next(2) == 0, random.Next(3) == 0, random.Next(4) > 0);
        hasTitle |= !hasPhoto && !hasColour;
        (areSubtitlesAlike, hasBadges, isAbsolute, areParts, isGrid, isWrapped) = (random.Next(2) == 0, random.Next(3) == 0, random.Next(2) == 0, random.Next(3) > 0, random.Next(4) == 0, random.Next(3) == 0);
        var rows = Enumerable.Range(1, random.Next(4, 12)).Select(Make).ToList();
        Before = Write(rows);
        After = Write(Edited(rows, edit));
    }

    /// <summary>The drawing before, and the key of each layer by ordinal.</summary>
    public (string Svg, string[] Keys) Before { get; }

    /// <summary>The drawing now, and the key of each layer by ordinal.</summary>
    public (string Svg, string[] Keys) After { get; }

    /// <summary>What it is like, for reports.</summary>
    public override string ToString() => string.Join(' ', new[]
    {
        $"ids {ids}", $"names {names}", isGrouped ? "groups" : "flat", hasPhoto ? "photos" : "", hasColour ? "colours" : "", hasTitle ? "titles" : "", hasBadges ? "badges" : "",
        isAbsolute ? "absolute" : "", areParts ? "parts named" : "", isGrid ? "grid" : "", isWrapped ? "wrapped" : "",
    }.Where(w => w.Length > 0));

    private Row Make(int number) => new(number, $"{First[number % First.Length]} {Last[number * 7 % Last.Length]}", areSubtitlesAlike ? "Guide" : $"{8 + number % 12}:{number * 5 % 60:00}", hasBadges && random.Next(2) == 0);

    private List<Row> Edited(List<Row> rows, Edit edit)
    {
        var now = rows.ToList();
        var next = rows.Count + 1;
        Row New() => Make(next++);
        switch (edit)
        {
            case Edit.InsertFirst: now.Insert(0, New()); break;
            case Edit.InsertBetween: now.Insert(random.Next(1, now.Count), New()); break;
            case Edit.InsertSeveral: now.InsertRange(random.Next(now.Count), [New(), New(), New()]); break;
            case Edit.Remove: now.RemoveAt(random.Next(1, now.Count)); break;
            case Edit.RemoveFirst: now.RemoveAt(0); break;
            case Edit.Swap:
                var at = random.Next(now.Count - 1);
                (now[at], now[at + 1]) = (now[at + 1], now[at]);
                break;
            case Edit.ToTheTop:
                var from = random.Next(1, now.Count);
                var moved = now[from];
                now.RemoveAt(from);
                now.Insert(0, moved);
                break;
            case Edit.Sort: now.Sort((a, b) => string.CompareOrdinal(a.Title.Split(' ')[1], b.Title.Split(' ')[1])); break;
            case Edit.Shuffle: random.Shuffle(System.Runtime.InteropServices.CollectionsMarshal.AsSpan(now)); break;
            case Edit.InsertAndRemove:
                now.RemoveAt(random.Next(now.Count));
                now.Insert(random.Next(now.Count), New());
                break;
        }
        return now;
    }

    private (string Svg, string[] Keys) Write(List<Row> rows)
    {
        var (text, keys, place) = (new StringBuilder(), new List<string>(), 0);
        Open("svg", "root", "", "viewBox='0 0 375 1200'");
        Leaf("rect", "ground", "background", "width='375' height='1200' fill='#f3e9d2'");
        Open("g", "header", "header", "");
        Leaf("path", "back", "back", "d='M24 30l-8 8 8 8' fill='none' stroke='#173a45'");
        Leaf("text", "heading", "", "x='150' y='42' font-size='17'", "Guides");
        Close();
        Open("g", "list", names == Names.None ? "" : "list", isAbsolute ? "" : "transform='translate(16 80)'");
        if (isWrapped)
        {
            Open("g", "stack", "", "");
        }
        foreach (var (i, row) in rows.Index())
        {
            Write(row, i);
        }
        if (isWrapped)
        {
            Close();
        }
        Close();
        Open("g", "tabs", "tab bar", "transform='translate(0 1120)'");
        foreach (var tab in new[] { "home", "sky", "visit" })
        {
            Leaf("path", tab, areParts ? tab : "", $"d='M{keys.Count * 9} 10h{tab.Length * 4}v18z' fill='#173a45'");
        }
        Close();
        text.Append("</svg>");
        return (text.ToString(), [.. keys]);

        void Write(Row row, int i)
        {
            var (x, y) = isGrid ? (i % 2 * 176.0, i / 2 * 120.0) : (0, i * 76.0);
            var (left, top) = isAbsolute ? (x + 16, y + 80) : isGrouped ? (0.0, 0.0) : (x, y);
            var key = $"row{row.Number}";
            if (isGrouped)
            {
                Open("g", key, names switch { Names.Same => "row", Names.Own => $"row {row.Title}", _ => "" }, isAbsolute ? "" : $"transform='translate({N(x)} {N(y)})'", key);
            }
            Leaf("rect", $"{key}card", Part("card"), $"{At("x", left)} {At("y", top)} width='167' height='64' rx='8' fill='#fff'");
            if (hasPhoto)
            {
                Leaf("image", $"{key}photo", Part("photo"), $"{At("x", left + 8)} {At("y", top + 8)} width='48' height='48' href='{Photo(row.Number)}'");
            }
            else
            {
                Leaf("circle", $"{key}spot", Part("spot"), $"{At("cx", left + 32)} {At("cy", top + 32)} r='24' fill='{(hasColour ? $"#{row.Number * 37 % 256:x2}{row.Number * 91 % 256:x2}60" : "#2c6e54")}'");
            }
            Leaf("text", $"{key}title", Part("title"), $"{At("x", left + 64)} {At("y", top + 28)} font-size='15'", hasTitle ? row.Title : "Guide of today");
            Leaf("text", $"{key}subtitle", "", $"{At("x", left + 64)} {At("y", top + 46)} font-size='12'", row.Subtitle);
            if (row.HasBadge)
            {
                Open("g", $"{key}badge", Part("badge"), "", $"{key}badge");
                Leaf("circle", $"{key}dot", "", $"{At("cx", left + 130)} {At("cy", top + 14)} r='6' fill='#b8402a'");
                Leaf("path", $"{key}tick", "", $"d='M{N(left + 127)} {N(top + 14)}l2 2 4-4' fill='none' stroke='#fff'");
                Close();
            }
            Leaf("path", $"{key}chevron", Part("chevron"), $"d='M{N(left + 150)} {N(top + 26)}l6 6-6 6' fill='none' stroke='#52616b'");
            if (isGrouped)
            {
                Close();
            }
        }

        string Part(string name) => areParts ? name : "";

        void Open(string element, string key, string name, string attributes, string? id = null) => Begin(element, key, name, attributes, id).Append('>');

        void Close() => text.Append("</g>");

        void Leaf(string element, string key, string name, string attributes, string inside = "") =>
            Begin(element, key, name, attributes, key).Append('>').Append(inside).Append("</").Append(element).Append('>');

        StringBuilder Begin(string element, string key, string name, string attributes, string? id)
        {
            keys.Add(key);
            place++;
            text.Append('<').Append(element).Append(element == "svg" ? " xmlns='http://www.w3.org/2000/svg'" : "");
            text.Append(name.Length > 0 ? $" data-name='{name}'" : "");
            text.Append(element == "svg" || id is null ? "" : ids switch { Ids.Kept => $" id='i-{id}'", Ids.ByPlace => $" id='i{place}'", _ => "" });
            return text.Append(' ').Append(attributes);
        }
    }

    private static string At(string name, double value) => $"{name}='{N(value)}'";

    private static string N(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    // One pixel of a colour of its own (GIF87a).
    private static string Photo(int number) => "data:image/gif;base64," + Convert.ToBase64String(
        [.. "GIF87a"u8, 1, 0, 1, 0, 0x80, 0, 0, (byte)(number * 53), (byte)(number * 29), (byte)(number * 11), 0, 0, 0, 0x2c, 0, 0, 0, 0, 1, 0, 1, 0, 0, 2, 2, 0x44, 1, 0, 0x3b]);
}
