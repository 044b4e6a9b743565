using Kalypto.Core.Asking;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms.Web;
using Kalypto.Core.Rendering;

namespace Kalypto.Core.Tests.Asking;

public class QuestionTests
{
    private const string Button = "<g id='book'><path id='book-normal' d='M0 0L9 9'/><path id='book-pressed' display='none' d='M0 0L9 9'/></g><rect id='line' width='9' height='2'/>";

    private static Finding Found(Question question, params (string Layer, string Says)[] said)
    {
        var design = Svg.Measure(Button).State(said);
        return Assert.Single(new PackPlanner(new("e"), _ => new Look(new Box(0, 0, 9, 9), null)) { Questions = [question] }.Plan([design], [new WebPlatform()]).Findings, f => f.Check == "asked");
    }

    private static LayerRef At(string layer) => new(1, Svg.Measure(Button).State().Measured.Drawing.Layer(layer).Ordinal);

    [Theory]
    [InlineData(QuestionKind.Picture, "line", Decision.Ship)]
    [InlineData(QuestionKind.Code, "line", Decision.Code)]
    public void What_is_asked_of_a_layer_is_offered_to_be_done_and_waits_for_a_delivery_then(QuestionKind kind, string layer, Decision decision)
    {
        var finding = Found(new(7, At(layer), kind, "Tom"));
        Assert.Equal((Severity.Warning, "7", decision), (finding.Severity, finding.About, finding.Fix!.Decision));
        var done = Found(new(7, At(layer), kind, "Tom"), (layer, decision.ToString()));
        Assert.Equal(Severity.Hint, done.Severity);
        Assert.Null(done.Fix);
        Assert.EndsWith("The next delivery settles it.", done.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_missing_state_is_found_at_the_layer_that_shows_it_and_one_that_nothing_shows_is_to_be_drawn()
    {
        var pressed = Found(new(7, At("book-normal"), QuestionKind.State, "") { State = "pressed" }, ("book-normal", "Ship button"));
        Assert.Equal((At("book-pressed"), Decision.Ship), (pressed.Layer, pressed.Fix!.Decision));
        Assert.StartsWith("Somebody asks at “book-normal”", pressed.Sentence, StringComparison.Ordinal);
        Assert.Equal(Severity.Hint, Found(new(7, At("book-normal"), QuestionKind.State, "") { State = "pressed" }, ("book-normal", "Ship button"), ("book-pressed", "Ship button")).Severity);
        var hover = Found(new(7, At("book-normal"), QuestionKind.State, "") { State = "hover" });
        Assert.Null(hover.Fix);
        Assert.Contains("draw it, call it “book-normal hover”", hover.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_state_that_lies_in_its_button_is_found_too()
    {
        var design = Svg.Measure("<g id='book'><rect width='90' height='20'/><g id='book pressed' display='none'><path d='M0 0L9 9'/></g></g>").State(("book", "Ship button"));
        var question = new Question(7, new(1, design.Measured.Drawing.Layer("book").Ordinal), QuestionKind.State, "") { State = "pressed" };
        Assert.Equal("book pressed", question.Wanted(design)!.Name);
        Assert.Null((question with { State = "hover" }).Wanted(design));
    }

    [Fact]
    public void What_is_asked_of_a_layer_that_is_gone_is_answered_and_offers_nothing()
    {
        var gone = new Question(7, At("line"), QuestionKind.Picture, "Tom") { IsGone = true };
        var finding = Found(gone);
        Assert.Null(finding.Fix);
        Assert.EndsWith("it needs to be a picture. The layer is not in the drawing any more: answer what became of it.", finding.Sentence, StringComparison.Ordinal);
        Assert.Equal(Severity.Hint, Found(gone with { Answer = "It went with the footer." }).Severity);
    }

    [Fact]
    public void Words_wait_for_an_answer_and_say_it()
    {
        Assert.Equal("Tom asks at “line” on Drawing: “Is this a divider?”", Found(new(7, At("line"), QuestionKind.Words, "Tom") { Words = "Is this a divider?" }).Sentence);
        Assert.Equal("Tom asks at “line” on Drawing: “Is this a divider?” Answered: “Yes.” The next delivery settles it.", Found(new(7, At("line"), QuestionKind.Words, "Tom") { Words = "Is this a divider?", Answer = "Yes." }).Sentence);
    }
}
