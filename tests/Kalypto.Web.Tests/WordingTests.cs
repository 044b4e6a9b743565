using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Tests;

public class WordingTests
{
    [Fact]
    public void Every_refusal_has_words_that_say_what_to_do()
    {
        var words = Enum.GetValues<RecipeRefusal.Why>().Select(w => RecipeWords.Say(new(w, "badge does not do.", 2, "Larkrise")))
            .Concat(Enum.GetValues<BuildRefusal.Why>().Select(w => PackWords.Say(new BuildRefusal(w, "Two layers would both be web/bell.svg."))))
            .Concat(Enum.GetValues<CloserRefusal>().Select(w => PackWords.Say(w, "webpp")))
            .Concat(Enum.GetValues<ZipRefusal>().Select(w => BroughtInWords.Say(new BroughtIn.ZipRefused("all.zip", w))))
            .Append(BroughtInWords.Say(new BroughtIn.TooLarge("all.svg", 99_000_000))).Append(BroughtInWords.Say(new BroughtIn.NoProject("a.svg")))
            .Append(BroughtInWords.Say(new BroughtIn.Refused("a.svg", new DrawingRefusedException("It is torn", "Mend it", 7)))).ToList();
        Assert.All(words, w => Assert.EndsWith(".", w, StringComparison.Ordinal));
        Assert.Equal(words.Count, words.Distinct().Count() + words.Count(w => w == "badge does not do.") - 1);
        Assert.Equal("a.svg was not brought in. It is torn (line 7). Mend it.", words[^1]);
        Assert.Equal("2 layers are of the kind “badge”. Give them another kind first.", RecipeWords.Say(new(RecipeRefusal.Why.KindIsUsed, "badge", 2)));
        Assert.Equal("1 layer on 3 screens, drawn at 2x by its size", BroughtInWords.Say(new BroughtIn.Read("a.svg", 1, 1, 1, 3, 2)));
    }
}
