using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dekoro.FormTable;

/// <summary>What of a file is longer, denser or barer than it should be.</summary>
internal static class Findings
{
    public const string LongMethod = "method>60";
    public const string Complex = "complexity>15";
    public const string ManyParameters = "parameters>6";
    public const string ManyMembers = "record>8";
    public const string SeveralTypes = "types>1 a file";
    public const string Undocumented = "undocumented";

    private const int MostLines = 60;

    /// <summary>A test tells one thing that happens from its beginning to its end.</summary>
    private const int MostTestLines = 100;
    private const int MostComplexity = 15;
    private const int MostParameters = 6;
    private const int MostMembers = 8;

    /// <param name="at">Its project's folder and path.</param>
    public static IEnumerable<(string What, string Name)> In(CompilationUnitSyntax file, string at, bool isTest)
    {
        foreach (var member in file.DescendantNodes().OfType<BaseMethodDeclarationSyntax>())
        {
            var name = NameOf(member);
            if (LinesOf(member) > (isTest ? MostTestLines : MostLines))
                yield return (LongMethod, name);
            if (ComplexityOf(member) > MostComplexity)
                yield return (Complex, name);
            if (member.ParameterList.Parameters.Count > MostParameters && !isTest && !IsHandler(member, at))
                yield return (ManyParameters, name);
        }
        foreach (var record in file.DescendantNodes().OfType<RecordDeclarationSyntax>())
            if (record.ParameterList?.Parameters.Count > MostMembers && !IsForm(record, at))
                yield return (ManyMembers, record.Identifier.Text);
        var types = file.DescendantNodes()
            .OfType<BaseTypeDeclarationSyntax>()
            .Where(t => t.Parent is not TypeDeclarationSyntax && IsVisible(t.Modifiers))
            .ToList();
        if (types.Count > 1)
            yield return (SeveralTypes, string.Join(", ", types.Select(t => t.Identifier.Text)));
        foreach (var bare in file.DescendantNodes().OfType<MemberDeclarationSyntax>().Where(m => !isTest && IsBare(m)))
            yield return (Undocumented, NameOf(bare));
    }

    /// <summary>
    /// Declares by its parameters what a call takes of its address, its body and the program: nobody calls it.
    /// </summary>
    private static bool IsHandler(BaseMethodDeclarationSyntax member, string at) =>
        at.Contains("/Endpoints/", StringComparison.Ordinal)
        && member.Modifiers.Any(SyntaxKind.StaticKeyword)
        && !IsVisible(member.Modifiers);

    /// <summary>Values as a form, a row or a file of others has them, one for each field.</summary>
    private static bool IsForm(RecordDeclarationSyntax record, string at) =>
        at.Contains("/Contracts/", StringComparison.Ordinal)
        || FormEndings.Any(e => record.Identifier.Text.EndsWith(e, StringComparison.Ordinal))
        || record.Identifier.Text.StartsWith("Stored", StringComparison.Ordinal)
        || Forms.Contains(record.Identifier.Text);

    private static readonly string[] FormEndings = ["Values", "Row", "Entry", "Recipe", "Metadata", "Change"];

    /// <summary>A gallery and a slider as read from their values, and a row of the library.</summary>
    private static readonly string[] Forms = ["Gallery", "Slider", "Asset"];

    private static int LinesOf(SyntaxNode node)
    {
        var span = node.SyntaxTree.GetLineSpan(node.Span);
        return span.EndLinePosition.Line - span.StartLinePosition.Line + 1;
    }

    /// <summary>Branches and one (McCabe 1976); arms of a switch that only name a result count as one.</summary>
    private static int ComplexityOf(SyntaxNode node) =>
        1
        + node.DescendantNodes()
            .Count(n =>
                n
                    is IfStatementSyntax
                        or WhileStatementSyntax
                        or DoStatementSyntax
                        or ForStatementSyntax
                        or CommonForEachStatementSyntax
                        or ConditionalExpressionSyntax
                        or CatchClauseSyntax
                        or CaseSwitchLabelSyntax
                        or CasePatternSwitchLabelSyntax
                        or SwitchExpressionSyntax
                || n.IsKind(SyntaxKind.LogicalAndExpression)
                || n.IsKind(SyntaxKind.LogicalOrExpression)
                || n.IsKind(SyntaxKind.CoalesceExpression)
            );

    private static bool IsVisible(SyntaxTokenList modifiers) => modifiers.Any(SyntaxKind.PublicKeyword);

    /// <summary>
    /// Public types, methods and constructors that say nothing of themselves; a property is said by its name.
    /// </summary>
    private static bool IsBare(MemberDeclarationSyntax member) =>
        member is BaseTypeDeclarationSyntax or MethodDeclarationSyntax
        && IsVisible(member.Modifiers)
        && !member.Modifiers.Any(SyntaxKind.OverrideKeyword)
        && member.Ancestors().OfType<BaseTypeDeclarationSyntax>().All(t => IsVisible(t.Modifiers))
        && !member.GetLeadingTrivia().Any(t => t.HasStructure && t.GetStructure() is DocumentationCommentTriviaSyntax);

    private static string NameOf(MemberDeclarationSyntax member)
    {
        var own = member switch
        {
            MethodDeclarationSyntax m => m.Identifier.Text,
            ConstructorDeclarationSyntax c => c.Identifier.Text,
            BaseTypeDeclarationSyntax t => t.Identifier.Text,
            _ => member.Kind().ToString(),
        };
        return member.Parent is BaseTypeDeclarationSyntax type ? $"{type.Identifier.Text}.{own}" : own;
    }
}
