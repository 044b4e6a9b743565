using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Tests.Styling;

public class CodeTests
{
    private static readonly LayerValues Card = new(new Box(22, 418, 331, 90))
    {
        Fill = new SolidFill(new(255, 255, 255, 0.12)),
        Border = new(new SolidFill(new(229, 180, 92, 1)), 2, []),
        Radii = Radii.All(14),
        Shadows = [new(0, 6, 16, 0, new(10, 15, 38, 0.45), false)],
        Opacity = 0.6,
    };

    private static readonly LayerValues Sky = new(new Box(0, 0, 40, 20)) { Fill = new LinearFill(180, [new(0, new(20, 31, 68, 1)), new(1, new(86, 80, 138, 1))], false), Radii = new(8, 8, 0, 0) };

    private static readonly LayerValues Words = new(new Box(24, 70, 100, 44))
    {
        Text = new([new(24, 92, [new("Say \"$5\"", Title, new SolidFill(new(243, 233, 210, 1)))]), new(24, 114, [new("now", Title, new SolidFill(new(243, 233, 210, 1)))])], "middle"),
    };

    private static TypeStyle Title => new("Figtree, sans-serif", 700, false, 18, 22, 0.36, "none");

    private static string Write(string id, LayerValues values) => AllCodes.List.Single(c => c.Id == id).Write(values, "hours-card", NoNames.One);

    [Theory]
    [InlineData("css", ".hours-card {\n  width: 331px;\n  height: 90px;\n  box-sizing: border-box;\n  border: 2px solid #e5b45c;\n  background-color: rgb(255 255 255 / 12%);\n  border-radius: 14px;\n  filter: drop-shadow(0 6px 8px rgb(10 15 38 / 45%));\n  opacity: 60%;\n}")]
    [InlineData("swiftui", "RoundedRectangle(cornerRadius: 14, style: .circular)\n    .fill(Color.white.opacity(0.12))\n    .overlay(RoundedRectangle(cornerRadius: 14, style: .circular).strokeBorder(Color(red: 0.898, green: 0.706, blue: 0.361), lineWidth: 2))\n    .frame(width: 331, height: 90)\n    .shadow(color: Color(red: 0.039, green: 0.059, blue: 0.149, opacity: 0.45), radius: 8, x: 0, y: 6)\n    .opacity(0.6)")]
    [InlineData("uikit", "let hoursCard = UIView(frame: CGRect(x: 22, y: 418, width: 331, height: 90))\nhoursCard.backgroundColor = UIColor(red: 1, green: 1, blue: 1, alpha: 0.12)\nhoursCard.layer.cornerRadius = 14\nhoursCard.layer.borderWidth = 2\nhoursCard.layer.borderColor = UIColor(red: 0.898, green: 0.706, blue: 0.361, alpha: 1).cgColor\nhoursCard.layer.shadowColor = UIColor(red: 0.039, green: 0.059, blue: 0.149, alpha: 1).cgColor\nhoursCard.layer.shadowOpacity = 0.45\nhoursCard.layer.shadowRadius = 8\nhoursCard.layer.shadowOffset = CGSize(width: 0, height: 6)\nhoursCard.alpha = 0.6")]
    [InlineData("compose", "Box(\n    Modifier\n        .size(331.dp, 90.dp)\n        .alpha(0.6f)\n        .dropShadow(RoundedCornerShape(14.dp), Shadow(radius = 16.dp, spread = 0.dp, color = Color(0x730A0F26), offset = DpOffset(0.dp, 6.dp)))\n        .background(Color(0x1FFFFFFF), RoundedCornerShape(14.dp))\n        .border(2.dp, Color(0xFFE5B45C), RoundedCornerShape(14.dp)),\n)")]
    [InlineData("android", "<shape xmlns:android=\"http://schemas.android.com/apk/res/android\"\n    android:shape=\"rectangle\">\n    <size android:width=\"331dp\" android:height=\"90dp\" />\n    <corners android:radius=\"14dp\" />\n    <solid android:color=\"#1FFFFFFF\" />\n    <stroke android:width=\"2dp\" android:color=\"#FFE5B45C\" />\n</shape>\n<!-- A shape has no shadow of its own: x 0dp, y 6dp, blur 16dp, #730A0F26 -->\n<!-- On the view: android:alpha=\"0.6\" -->")]
    [InlineData("xaml", "<Border\n    Width=\"331\"\n    Height=\"90\"\n    CornerRadius=\"14\"\n    Background=\"#1FFFFFFF\"\n    BorderThickness=\"2\"\n    BorderBrush=\"#FFE5B45C\"\n    Opacity=\"0.6\">\n    <!-- WPF -->\n    <Border.Effect>\n        <DropShadowEffect BlurRadius=\"16\" ShadowDepth=\"6\" Direction=\"270\" Opacity=\"0.45\" Color=\"#FF0A0F26\" />\n    </Border.Effect>\n</Border>")]
    [InlineData("flutter", "Opacity(\n  opacity: 0.6,\n  child: Container(\n    width: 331,\n    height: 90,\n    decoration: BoxDecoration(\n      color: Color(0x1FFFFFFF),\n      borderRadius: BorderRadius.circular(14),\n      border: Border.all(color: Color(0xFFE5B45C), width: 2),\n      boxShadow: [BoxShadow(color: Color(0x730A0F26), offset: Offset(0, 6), blurRadius: 12.99)],\n    ),\n  ),\n)")]
    public void A_box_in_every_language(string id, string code) => Assert.Equal(code, Write(id, Card));

    [Theory]
    [InlineData("css", "background: linear-gradient(#141f44, #56508a);\n  border-radius: 8px 8px 0 0;")]
    [InlineData("swiftui", "UnevenRoundedRectangle(topLeadingRadius: 8, bottomLeadingRadius: 0, bottomTrailingRadius: 0, topTrailingRadius: 8, style: .circular)\n    .fill(LinearGradient(stops: [.init(color: Color(red: 0.078, green: 0.122, blue: 0.267), location: 0), .init(color: Color(red: 0.337, green: 0.314, blue: 0.541), location: 1)], startPoint: UnitPoint(x: 0.5, y: 0), endPoint: UnitPoint(x: 0.5, y: 1)))")]
    [InlineData("uikit", "fill.startPoint = CGPoint(x: 0.5, y: 0)\nfill.endPoint = CGPoint(x: 0.5, y: 1)")]
    [InlineData("compose", "Brush.verticalGradient(0f to Color(0xFF141F44), 1f to Color(0xFF56508A))")]
    [InlineData("android", "<gradient android:angle=\"270\" android:startColor=\"#FF141F44\" android:endColor=\"#FF56508A\" />")]
    [InlineData("xaml", "<LinearGradientBrush StartPoint=\"0.5,0\" EndPoint=\"0.5,1\">")]
    [InlineData("flutter", "gradient: LinearGradient(begin: Alignment(0, -1), end: Alignment(0, 1), colors: [Color(0xFF141F44), Color(0xFF56508A)], stops: [0, 1])")]
    public void A_gradient_in_every_language(string id, string part) => Assert.Contains(part, Write(id, Sky), StringComparison.Ordinal);

    [Theory]
    [InlineData("css", "font-size: 18px;\n  font-weight: 700;\n  letter-spacing: 0.36px;\n  color: #f3e9d2;\n  line-height: 22px;\n  text-align: center;")]
    [InlineData("swiftui", "Text(\"Say \\\"$5\\\"\\nnow\")\n    .font(.custom(\"Figtree\", size: 18).weight(.bold))\n    .kerning(0.36)")]
    [InlineData("uikit", "lines.minimumLineHeight = 22\nlines.maximumLineHeight = 22\nhoursCard.attributedText = NSAttributedString(string: \"Say \\\"$5\\\"\\nnow\", attributes: [.kern: 0.36, .paragraphStyle: lines])")]
    [InlineData("compose", "text = \"Say \\\"\\$5\\\"\\nnow\",\n    style = TextStyle(\n        fontFamily = FontFamily(Font(R.font.figtree)),\n        fontWeight = FontWeight(700),\n        fontSize = 18.sp,\n        lineHeight = 22.sp,\n        letterSpacing = 0.36.sp,\n        color = Color(0xFFF3E9D2),\n        textAlign = TextAlign.Center,")]
    [InlineData("android", "android:fontFamily=\"@font/figtree\"\n    android:textFontWeight=\"700\"\n    android:textSize=\"18sp\"\n    android:lineHeight=\"22sp\"\n    android:letterSpacing=\"0.02\"\n    android:textColor=\"#FFF3E9D2\"\n    android:gravity=\"center_horizontal\"")]
    [InlineData("xaml", "FontSize=\"18\"\n    FontWeight=\"Bold\"\n    LineHeight=\"22\"\n    CharacterSpacing=\"20\"\n    TextAlignment=\"Center\"\n    Foreground=\"#FFF3E9D2\"")]
    [InlineData("flutter", "\"Say \\\"\\$5\\\"\\nnow\",\n  textAlign: TextAlign.center,\n  style: TextStyle(\n    fontFamily: 'Figtree',\n    fontWeight: FontWeight.w700,\n    fontSize: 18,\n    height: 1.222,\n    letterSpacing: 0.36,\n    color: Color(0xFFF3E9D2),")]
    public void Words_in_every_language(string id, string part) => Assert.Contains(part, Write(id, Words), StringComparison.Ordinal);

    private static readonly ImmutableArray<GradientStop> Three = [new(0, new(255, 0, 0, 1)), new(0.3, new(0, 255, 0, 1)), new(1, new(0, 0, 255, 1))];

    // What a picture of one's own cannot say: a slanted line, a middle colour beside the middle, words that are painted.
    [Fact]
    public void Gradients_need_nothing_that_is_not_there()
    {
        var slanted = Sky with { Fill = new LinearFill(135, Three, false) };
        Assert.Contains("background(object : ShaderBrush() { override fun createShader(size: Size) = LinearGradientShader(Offset(size.width * ", Write("compose", slanted), StringComparison.Ordinal);
        var round = Sky with { Fill = new RadialFill(20, 10, 10, 10, Three) };
        Assert.Contains("RadialGradientShader(Offset(size.width * 0.5f, size.height * 0.5f), size.width * 0.25f, listOf(Color(0xFFFF0000), Color(0xFF00FF00), Color(0xFF0000FF)), listOf(0f, 0.3f, 1f))", Write("compose", round), StringComparison.Ordinal);
        Assert.All(new[] { slanted, round }, v => Assert.DoesNotContain("toPx", Write("compose", v), StringComparison.Ordinal));
        Assert.Contains("android:angle=\"315\" android:centerX=\"0.3\" android:startColor=\"#FFFF0000\" android:centerColor=\"#FF00FF00\"", Write("android", slanted), StringComparison.Ordinal);
        var painted = Words with { Text = Words.Text! with { Lines = [new(24, 92, [new("now", Title, slanted.Fill)])] } };
        Assert.Contains(".createShader(const Rect.fromLTWH(0, 0, 100, 44))", Write("flutter", painted), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("default", "defaultValue", "DefaultValue")]
    [InlineData("hash code", "hashCodeValue", "HashCodeValue")]
    [InlineData("Color", "colorValue", "ColorValue")]
    [InlineData("text-gold", "textGold", "TextGold")]
    [InlineData("2 columns", "_2Columns", "_2Columns")]
    public void Names_that_mean_something_in_a_language_get_a_word_behind_them(string name, string member, string pascal) => Assert.Equal((member, pascal), (CodeText.Member(name), CodeText.PascalMember(name)));
}
